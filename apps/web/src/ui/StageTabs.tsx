import { NavLink } from 'react-router';

interface StageTabsProps {
  /** What the pages belong to, for those who do not see them. */
  readonly label: string;
  readonly pages: readonly { readonly id: string; readonly title: string; readonly to: string }[];
}

/** The pages of a stage, as tabs above them. */
export function StageTabs({ label, pages }: StageTabsProps) {
  return (
    <nav aria-label={label} className="no-print flex gap-1 border-b border-rule px-5 pt-2">
      {pages.map(({ id, title, to }) => (
        <NavLink
          key={id}
          end
          to={to}
          className={({ isActive }) =>
            `min-h-6 border-b-[3px] px-2 pb-1 text-[13px] ${isActive ? 'border-ink font-semibold' : 'border-transparent'}`
          }
        >
          {title}
        </NavLink>
      ))}
    </nav>
  );
}
