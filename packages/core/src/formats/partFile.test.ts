import { describe, expect, it } from '@jest/globals';
import { sampleParts } from '../parts/catalogue.ts';
import { problemsOfPart, readPartFile, writePartFile } from './partFile.ts';

const [part] = sampleParts;
if (part === undefined) throw new Error('The catalogue is empty.');

describe('a part file', () => {
  it('gives back every part that it was written from, in the same bytes', () => {
    for (const each of sampleParts) {
      const read = readPartFile(writePartFile(each));
      if ('sentence' in read) throw new Error(read.sentence);
      expect(read.part).toEqual(each);
      expect(writePartFile(read.part)).toBe(writePartFile(each));
    }
  });

  it.each([
    ['nothing', '', 'not JSON'],
    ['a list', '[]', 'its "format" should be "wired-falcon-part"'],
    ['an aircraft', '{"format":"wired-falcon-aircraft"}', 'its "format" should be'],
    ['no part', '{"format":"wired-falcon-part"}', 'not a valid part at /part'],
    ['a mass of words', writePartFile(part).replace(/"massG": [\d.]+/, '"massG": "heavy"'), 'not a valid part at /part/massG'],
    ['a mass without end', writePartFile(part).replace(/"massG": [\d.]+/, '"massG": 1e400'), 'not a valid part at /part/massG'],
    ['a mark that turns the reading', writePartFile({ ...part, name: 'a\u202Eb' }), 'cannot be seen'],
    ['markup', writePartFile({ ...part, name: '<b>board' }), 'markup'],
    ['two ports of one name', writePartFile({ ...part, ports: [...part.ports, ...part.ports] }), 'Two of its ports'],
  ])('with %s is refused in one sentence', (_, text, words) => {
    const read = readPartFile(text);
    expect('sentence' in read ? read.sentence : 'accepted').toContain(words);
  });

  it('tells every place of a value that is no part', () => {
    expect(problemsOfPart({ ...part, massG: -1, name: '' }).map((text) => text.split(':')[0])).toEqual(['/name', '/massG']);
    expect(problemsOfPart(null)).toHaveLength(1);
    expect(problemsOfPart(part)).toEqual([]);
  });
});
