import type { ByHandStep, PlanView } from '@wired-falcon/core';

/** What the text cannot do: before it is loaded, after, and on a board that takes no text at all. */
export function ByHand({ view: { byHand, pressed } }: { readonly view: PlanView }) {
  const before = byHand.filter(({ when }) => when === 'before');
  const after = byHand.filter(({ when }) => when === 'after');
  if (byHand.length + pressed.length === 0) return null;
  return (
    <section aria-label="By hand" className="max-w-[560px] text-[13px]" data-testid="by-hand">
      <h3 className="text-[15px] font-bold">By hand</h3>
      <Steps title="Before loading" steps={before} />
      {pressed.length > 0 && (
        <ol className="mt-1 list-decimal pl-5">
          {pressed.map(({ what, title, text, light }) => (
            <li key={`${what} ${title}`} className="py-0.5">
              <span className="font-semibold">
                {what}, {title}:
              </span>{' '}
              {text} {light}
            </li>
          ))}
        </ol>
      )}
      <Steps title={pressed.length > 0 ? 'Then' : 'After loading'} steps={after} />
    </section>
  );
}

function Steps({ title, steps }: { readonly title: string; readonly steps: readonly ByHandStep[] }) {
  if (steps.length === 0) return null;
  return (
    <>
      <h4 className="mt-1 font-semibold">{title}</h4>
      <ol className="list-decimal pl-5">
        {steps.map(({ id, text, caution }) => (
          <li key={id} className="py-0.5">
            {caution !== undefined && <strong>{caution} </strong>}
            {text}
          </li>
        ))}
      </ol>
    </>
  );
}
