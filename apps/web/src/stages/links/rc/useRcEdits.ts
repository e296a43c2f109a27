import {
  type ModeRange,
  type OsdField,
  type OsdSpot,
  type RcChannel,
  type RcChoice,
  type RcFigure,
  type RcSwitch,
} from '@wired-falcon/core';
import { useDesign, useMake } from '../../../session/SessionContext.tsx';

/** Changes of the RC plan, each with what it was. */
export function useRcEdits() {
  const { rc } = useDesign().aircraft;
  const make = useMake();
  return {
    figures: rc.figures,
    setChannel: (channel: string, value: RcChannel | null) =>
      make({ kind: 'set-rc-channel', channel, value, was: rc.channels[channel] ?? null }),
    setSwitch: (id: string, value: RcSwitch | null) => make({ kind: 'set-rc-switch', id, value, was: rc.switches[id] ?? null }),
    setRange: (id: string, value: ModeRange | null) => make({ kind: 'set-mode-range', id, value, was: rc.ranges[id] ?? null }),
    setFigure: (figure: RcFigure, value: number | undefined) =>
      make({ kind: 'set-rc-figure', figure, value: value ?? null, was: rc.figures[figure] ?? null }),
    setChoice: (choice: RcChoice, value: string | null) => make({ kind: 'set-rc-choice', choice, value, was: rc.choices[choice] ?? null }),
    setOsdField: (field: OsdField, spot: OsdSpot | null) => make({ kind: 'set-osd-field', field, spot, was: rc.osd[field] ?? null }),
    setRadioField: (field: OsdField, on: boolean) => make({ kind: 'set-radio-field', field, on, was: rc.radioFields[field] === true }),
  };
}
