/** What an action of a controller rests on. */
export const ACTION_NEEDS = { fix: 'position fix', home: 'home position' } as const;
export type ActionNeed = keyof typeof ACTION_NEEDS;

/** What a controller does by itself when a link is lost or the pack is low, by what it does, whatever a firmware calls it. `flies`: it goes on under control. */
export const LOSS_ACTIONS = {
  nothing: { title: 'continues with the received channels', needs: [], flies: false, throttle: 'as before' },
  mission: { title: 'continues the mission', needs: ['fix'], flies: true, throttle: 'as in the mission' },
  return: { title: 'returns', needs: ['fix', 'home'], flies: true, throttle: 'cruise' },
  circle: { title: 'circles in place', needs: ['fix'], flies: true, throttle: 'cruise' },
  descend: { title: 'levels the wings and glides down', needs: [], flies: true, throttle: 'off' },
  land: { title: 'lands in place', needs: [], flies: true, throttle: 'for the descent' },
  'motor-stop': { title: 'stops the motors', needs: [], flies: false, throttle: 'off' },
} as const satisfies Readonly<
  Record<string, { readonly title: string; readonly needs: readonly ActionNeed[]; readonly flies: boolean; readonly throttle: string }>
>;
export type LossAction = keyof typeof LOSS_ACTIONS;

export function isLossAction(text: string): text is LossAction {
  return Object.hasOwn(LOSS_ACTIONS, text);
}

/** All actions, in the order of the table. */
export const lossActions: readonly LossAction[] = Object.keys(LOSS_ACTIONS).filter(isLossAction);

/** What takes control back from what a controller does on loss. */
export const BACK_BY = ['signal', 'stick', 'mode'] as const;
