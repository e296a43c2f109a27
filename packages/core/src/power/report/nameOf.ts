import type { PowerNetwork } from '../network/powerNetwork.ts';

/** How a device is called: the reference of its item and the name of the element. */
export function nameOf({ graph, devices }: PowerNetwork, device: number): string {
  const placed = devices[device]?.device;
  if (placed === undefined) return '?';
  const ref = graph.items[placed.item]?.item.ref ?? '?';
  return placed.is === 'usb' ? `USB at ${ref}` : `${ref} ${placed.element.id}`;
}
