import type { Part } from './part.ts';

/** The endpoints of a part that can have a function: the outputs of a controller, and of a servo on a bus its own end. */
export function functionEnds({ kind, endpoints }: Pick<Part, 'kind' | 'endpoints'>): readonly string[] {
  return endpoints.flatMap(({ is, id }) => (is === 'pulse-out' || (is === 'can' && kind === 'servo') ? [id] : []));
}
