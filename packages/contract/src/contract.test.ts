import 'reflect-metadata';
import { describe, expect, it } from '@jest/globals';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import { asId, type AircraftId } from '@wired-falcon/core';
import { AircraftParamsDto, AircraftQueryDto, CreateAircraftDto, EditsRequestDto, routes, SinceQueryDto } from './index.ts';

/** The places and sentences of what is wrong with a request. */
function problems<T extends object>(dto: new () => T, plain: object): string[] {
  const found: string[] = [];
  const walk = (errors: ReturnType<typeof validateSync>, path: string): void => {
    for (const error of errors) {
      for (const sentence of Object.values(error.constraints ?? {})) found.push(`${path}${error.property}: ${sentence}`);
      walk(error.children ?? [], `${path}${error.property}.`);
    }
  };
  walk(validateSync(plainToInstance(dto, plain), { whitelist: true, forbidNonWhitelisted: true }), '');
  return found;
}

const edit = { kind: 'set-aircraft-name', name: 'B', was: 'A' };
const submitted = { editId: 'e1', at: '2026-11-24T10:00:00.000Z', by: 'me', schema: 7, edit };

describe('requests', () => {
  it('that are right have no problems', () => {
    expect(problems(EditsRequestDto, { epoch: 'w1', baseVersion: 0, edits: [submitted] })).toEqual([]);
    expect(problems(CreateAircraftDto, { name: 'Marsh harrier 2' })).toEqual([]);
    expect(problems(AircraftParamsDto, { id: 'reedbed' })).toEqual([]);
    expect(problems(AircraftQueryDto, { author: 'bench 1' })).toEqual([]);
    expect(problems(SinceQueryDto, { epoch: 'w1', since: '12' })).toEqual([]);
  });

  it.each([
    ['a base version below zero', { baseVersion: -1, edits: [submitted] }, 'baseVersion'],
    ['a base version that is no whole number', { baseVersion: 0.5, edits: [submitted] }, 'baseVersion'],
    ['a base version that is none', { baseVersion: null, edits: [submitted] }, 'baseVersion'],
    ['no epoch', { epoch: undefined, baseVersion: 0, edits: [submitted] }, 'epoch'],
    ['an epoch with signs', { epoch: '../x', baseVersion: 0, edits: [submitted] }, 'epoch'],
    ['no list of edits', { baseVersion: 0, edits: 'all' }, 'edits'],
    ['too many edits', { baseVersion: 0, edits: Array.from({ length: 201 }, () => submitted) }, 'edits'],
    ['an edit without an id', { baseVersion: 0, edits: [{ ...submitted, editId: undefined }] }, 'edits.0.editId'],
    ['an edit at no time', { baseVersion: 0, edits: [{ ...submitted, at: 'yesterday' }] }, 'edits.0.at'],
    ['an edit by nobody', { baseVersion: 0, edits: [{ ...submitted, by: '' }] }, 'edits.0.by'],
    ['an author with control characters', { baseVersion: 0, edits: [{ ...submitted, by: 'a\u0007' }] }, 'edits.0.by'],
    [
      'an edit of another shape',
      { baseVersion: 0, edits: [{ ...submitted, edit: { ...edit, name: '' } }] },
      'edits.0.edit: set-aircraft-name/name',
    ],
    [
      'an edit that is put back by hand',
      { baseVersion: 0, edits: [{ ...submitted, edit: { kind: 'put-back', title: 't', changes: [] } }] },
      'no edit of the kind "put-back"',
    ],
    ['something besides', { baseVersion: 0, edits: [submitted], force: true }, 'force'],
    ['something besides in an edit', { baseVersion: 0, edits: [{ ...submitted, sudo: true }] }, 'sudo'],
  ])('with %s are refused at that place', (_, plain, place) => {
    expect(problems(EditsRequestDto, { epoch: 'w1', ...plain }).join('\n')).toContain(place);
  });

  it('name aircraft by ids alone', () => {
    for (const id of ['', '../x', 'a b', '__proto__', 'x'.repeat(41)]) expect(problems(AircraftParamsDto, { id })).toHaveLength(1);
    for (const since of ['x', '-1', '1.5']) expect(problems(SinceQueryDto, { epoch: 'w1', since }).length).toBeGreaterThan(0);
    for (const name of ['', 'x'.repeat(81), 'a\u202Eb', 'a\nb']) expect(problems(CreateAircraftDto, { name }).length).toBeGreaterThan(0);
  });
});

describe('addresses', () => {
  it('carry what they are given, safely', () => {
    const id = asId<AircraftId>('a1');
    expect(routes.aircraft(id, 'a&b ?')).toBe('/api/aircraft/a1?author=a%26b%20%3F');
    expect(routes.editsSince(id, 'e1', 7)).toBe('/api/aircraft/a1/edits?epoch=e1&since=7');
  });
});
