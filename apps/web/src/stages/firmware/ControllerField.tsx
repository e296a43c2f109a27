import type { PlanView } from '@wired-falcon/core';

interface ControllerFieldProps {
  readonly view: PlanView;
  readonly onChoose: (ref: string) => void;
}

/** Which controller, where there are several. */
export function ControllerField({ view: { controller, controllers }, onChoose }: ControllerFieldProps) {
  if (controllers.length < 2) return null;
  return (
    <label className="no-print text-[13px]">
      Controller{' '}
      <select className="field" value={controller.ref} onChange={(event) => onChoose(event.target.value)}>
        {controllers.map(({ id, ref }) => (
          <option key={id}>{ref}</option>
        ))}
      </select>
    </label>
  );
}
