import type { LinkKindId, StreamId } from '../../model/linkIds.ts';

/** What vehicles send by themselves, in Hz, by the kind of link. What a person says about a link goes over it. */
const USUAL_HZ: Partial<Readonly<Record<LinkKindId, Partial<Readonly<Record<StreamId, number>>>>>> = {
  telemetry: {
    heartbeat: 1,
    'sys-status': 1,
    'system-time': 1,
    'gps-raw-int': 2,
    attitude: 4,
    'global-position-int': 2,
    'rc-channels': 1,
    'servo-output-raw': 1,
    'mission-current': 1,
    'nav-controller-output': 1,
    'vfr-hud': 2,
    'battery-status': 1,
    vibration: 1,
    'estimator-status': 1,
    'radio-status': 1,
  },
  companion: {
    heartbeat: 1,
    'sys-status': 1,
    'gps-raw-int': 5,
    attitude: 20,
    'global-position-int': 10,
    'local-position-ned': 10,
    'battery-status': 1,
    'rc-channels': 5,
  },
};

/** The rates of a kind of link as vehicles have them; undefined for one that carries no streams. */
export function usualRates(kind: LinkKindId): Partial<Readonly<Record<StreamId, number>>> | undefined {
  return USUAL_HZ[kind];
}
