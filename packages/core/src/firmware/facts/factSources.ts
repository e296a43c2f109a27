import type { FactFamilyId } from '../../model/firmwareFacts.ts';
import { airframeFacts, boardFacts, levelFacts, systemFacts } from './craft.ts';
import type { FactSource } from './factRow.ts';
import { featureFacts } from './features.ts';
import { groundLossFacts, lossFacts, lowPackFacts } from './losses.ts';
import { monitorFacts } from './monitors.ts';
import { osdFacts } from './osd.ts';
import { bankFacts, mixerFacts, mixFacts, outputFacts } from './outputs.ts';
import { portFacts } from './ports.ts';
import { channelFacts, channelOfFacts, modeChannelFacts, modeRangeFacts, modeSlotFacts } from './rc.ts';
import { airspeedFacts, compassFacts, gnssFacts, rangefinderFacts } from './sensors.ts';

/** Where the facts of each family come from. One entry a family. */
export const FACT_SOURCES: Readonly<Record<FactFamilyId, FactSource>> = {
  airframe: airframeFacts,
  system: systemFacts,
  feature: featureFacts,
  board: boardFacts,
  level: levelFacts,
  port: portFacts,
  bank: bankFacts,
  output: outputFacts,
  mixer: mixerFacts,
  mix: mixFacts,
  'channel-of': channelOfFacts,
  channel: channelFacts,
  'mode-channel': modeChannelFacts,
  'mode-slot': modeSlotFacts,
  'mode-range': modeRangeFacts,
  loss: lossFacts,
  'ground-loss': groundLossFacts,
  'low-pack': lowPackFacts,
  monitor: monitorFacts,
  gnss: gnssFacts,
  compass: compassFacts,
  airspeed: airspeedFacts,
  rangefinder: rangefinderFacts,
  osd: osdFacts,
};
