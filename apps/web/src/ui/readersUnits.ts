import { useSyncExternalStore } from 'react';
import { factorIn, figureIn, inUnits, unitIn, UNIT_SYSTEMS, type Unit, type UnitSystem } from '@wired-falcon/core';
import { rememberedText, rememberText } from './rememberedText.ts';

/** How this reader reads lengths, masses and speeds. */
export interface ReadersUnits {
  readonly system: UnitSystem;
  /** A text with its quantities in the reader's units. */
  readonly read: (text: string) => string;
  /** A computed value with its unit. */
  readonly quantity: (value: number, unit: Unit) => string;
  /** The digits of a computed value, without its unit. */
  readonly figure: (value: number, unit: Unit) => string;
  /** A value that somebody typed: to the last digit where it was typed in this unit. */
  readonly asTyped: (value: number, unit: Unit | undefined) => string;
  readonly unit: (unit: Unit) => string;
  /** How much of the reader's unit one of the metric unit is. */
  readonly factor: (unit: Unit) => number;
}

function unitsFor(system: UnitSystem): ReadersUnits {
  return {
    system,
    read: (text) => inUnits(text, system),
    quantity: (value, unit) => `${figureIn(value, unit, system)} ${unitIn(unit, system)}`,
    figure: (value, unit) => figureIn(value, unit, system),
    asTyped: (value, unit) => (unit === undefined || factorIn(unit, system) === 1 ? String(value) : figureIn(value, unit, system)),
    unit: (unit) => unitIn(unit, system),
    factor: (unit) => factorIn(unit, system),
  };
}

const UNITS_OF: Readonly<Record<UnitSystem, ReadersUnits>> = { metric: unitsFor('metric'), imperial: unitsFor('imperial') };

const KEY = 'wired-falcon-units';
const listeners = new Set<() => void>();

function remembered(): UnitSystem {
  const text = rememberedText(KEY);
  return text !== undefined && isUnitSystem(text) ? text : 'metric';
}

/** What holds in this window: every number on a page asks for it, and a browser takes its time to answer. */
let current = remembered();
const chosen = (): UnitSystem => current;

function change(to: UnitSystem): void {
  current = to;
  for (const listener of listeners) listener();
}

// Another window of the same browser chose.
window.addEventListener('storage', () => change(remembered()));

export function isUnitSystem(text: string): text is UnitSystem {
  return Object.hasOwn(UNIT_SYSTEMS, text);
}

function listen(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

/** The units of this browser, in every window of it: a preference of who reads, never part of the aircraft. */
export function useReadersUnits(): ReadersUnits {
  return UNITS_OF[useSyncExternalStore(listen, chosen)];
}

/** Reads everything in other units from now on. */
export function chooseUnits(system: UnitSystem): void {
  rememberText(KEY, system);
  change(system);
}
