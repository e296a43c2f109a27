import { isJsonList, jsonAt, type Json } from '@wired-falcon/core';
import { entriesOf, textOf } from './DraftContext.tsx';

/** The ports of a draft as combs, pin 1 first. Choosing one opens it. */
export function PartPicture({
  draft,
  chosen,
  onChoose,
}: {
  readonly draft: Json;
  readonly chosen: number;
  readonly onChoose: (port: number) => void;
}) {
  return (
    <ul className="flex flex-wrap items-start gap-x-3 gap-y-2" aria-label="Ports as they are on the part">
      {entriesOf(draft, 'ports').map((port, i) => {
        const list = jsonAt(port, ['pins']);
        const pins = isJsonList(list) ? list : [];
        return (
          <li key={i}>
            <button
              type="button"
              className={`border px-1 pb-1 text-left ${i === chosen ? 'border-rust' : 'border-rule hover:border-ink'}`}
              onClick={() => onChoose(i)}
              aria-label={`Open port ${textOf(port, 'label')}`}
            >
              <span className="block text-[12px] font-semibold">{textOf(port, 'label')}</span>
              <span className="flex">
                {pins.map((pin, n) => (
                  <span
                    key={n}
                    title={`${n + 1} ${textOf(pin, 'label')}, ${textOf(pin, 'role')}`}
                    className={`value grid h-8 w-[15px] place-items-center border border-ink text-[9px]! leading-none [writing-mode:vertical-rl] ${n > 0 ? '-ml-px' : ''} ${paint(textOf(pin, 'role'))}`}
                  >
                    {textOf(pin, 'label').slice(0, 5)}
                  </span>
                ))}
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

function paint(role: string): string {
  if (role === 'gnd') return 'bg-ink text-sheet';
  return role.startsWith('supply') ? 'bg-grid font-medium' : 'bg-white';
}
