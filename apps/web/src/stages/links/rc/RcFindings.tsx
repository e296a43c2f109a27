import { FindingList } from '../../../workers/FindingList.tsx';

/** What the checks say of some part of the RC plan, with what mends it. @param checks by id */
export function RcFindings({ checks, name }: { readonly checks: readonly string[]; readonly name: string }) {
  return <FindingList name={name} isMeant={({ check }) => checks.includes(check)} />;
}
