import { describe, expect, it } from '@jest/globals';
import { asSentence, inSentence, withArticle } from './sentences.ts';

describe('words in a sentence', () => {
  it('begin small inside it, unless they are letters that are spelled', () => {
    expect(['Regulator 5 V, 3 A buck', 'LC filter, 2 A', 'GNSS receiver'].map(inSentence)).toEqual([
      'regulator 5 V, 3 A buck',
      'LC filter, 2 A',
      'GNSS receiver',
    ]);
    expect(asSentence('it stays unpowered.')).toBe('It stays unpowered.');
  });

  it('have the article that is spoken before them', () => {
    const words = [
      'regulator',
      'antenna',
      'LC filter',
      'H7 board',
      'F4 board',
      'GNSS receiver',
      'UART',
      'USB port',
      'I2C splitter',
      'RC receiver',
    ];
    expect(words.map(withArticle).map((one) => one.split(' ')[0])).toEqual(['a', 'an', 'an', 'an', 'an', 'a', 'a', 'a', 'an', 'an']);
    expect(['8-bit board', 'MAVLink radio', 'unit', 'inverter', 'octocopter', 'X8', 'V-tail', 'used pack'].map(withArticle)).toEqual([
      'an 8-bit board',
      'a MAVLink radio',
      'a unit',
      'an inverter',
      'an octocopter',
      'an X8',
      'a V-tail',
      'a used pack',
    ]);
  });
});
