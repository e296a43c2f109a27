import type { Circuit } from './circuit.ts';
import { jointsOf, otherEnd } from './joints.ts';

/**
 * The devices that are the only joint between two parts of a circuit, so that no current flows through them whatever they do: a load
 * whose ground is open, a battery without a return. Of devices with more than two nodes never one. Open resistors and devices join
 * nothing. One walk in depth (R. E. Tarjan 1974).
 * @returns 1 by device
 */
export function bridgesOf({ shape, ohms, laws }: Circuit): Uint8Array {
  const { size, ends, deviceOf, starts, joints, walk } = jointsOf(shape);
  const { found, lowest, cameBy, next, path } = walk;
  const isBridge = new Uint8Array(shape.devices.length);
  found.fill(-1);
  cameBy.fill(-1);
  for (let node = 0; node < size; node++) next[node] = starts[node] ?? 0;
  let count = 0;
  for (let root = 0; root < size; root++) {
    if (found[root] !== -1) continue;
    let depth = 0;
    path[0] = root;
    found[root] = lowest[root] = count++;
    while (depth >= 0) {
      const node = path[depth] ?? 0;
      const at = next[node] ?? 0;
      if (at < (starts[node + 1] ?? 0)) {
        next[node] = at + 1;
        const joint = joints[at] ?? 0;
        const device = deviceOf[joint] ?? -1;
        if (joint === cameBy[node] || (device < 0 ? ohms[joint] === Infinity : laws[device]?.is === 'open')) continue;
        const other = otherEnd(ends, joint, node);
        if (found[other] === -1) {
          found[other] = lowest[other] = count++;
          cameBy[other] = joint;
          path[++depth] = other;
        } else lowest[node] = Math.min(lowest[node] ?? 0, found[other] ?? 0);
        continue;
      }
      if (--depth < 0) continue;
      const above = path[depth] ?? 0;
      lowest[above] = Math.min(lowest[above] ?? 0, lowest[node] ?? 0);
      const device = deviceOf[cameBy[node] ?? 0] ?? -1;
      const isOnlyJoint = device >= 0 && (lowest[node] ?? 0) > (found[above] ?? 0);
      if (isOnlyJoint && shape.devices[device]?.nodes.length === 2) isBridge[device] = 1;
    }
  }
  return isBridge;
}
