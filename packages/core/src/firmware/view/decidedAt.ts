/** Where in the product something is decided: a stage, and what there. */
export interface DecidedAt {
  readonly at: 'brief' | 'wiring' | 'layout' | 'ports' | 'channels' | 'modes' | 'picture' | 'outputs' | 'firmware' | 'item';
  /** The item that it is about. */
  readonly item?: string;
}

/** Where a member of the document is decided, by its path from the aircraft down; undefined where no page is about it alone. */
export function leadsTo([member, id, part, name]: readonly string[]): DecidedAt | undefined {
  switch (member) {
    case 'airframe':
    case 'dialect':
      return { at: 'brief' };
    case 'items':
      if (id === undefined) return { at: 'wiring' };
      if (part === 'place') return { at: 'layout', item: id };
      return part === 'settings' && name?.includes('.') === true && SERIAL.test(name)
        ? { at: 'ports', item: id }
        : { at: 'item', item: id };
    case 'cables':
    case 'mates':
      return { at: 'wiring' };
    case 'links':
      return { at: 'ports' };
    case 'outputs':
    case 'banks':
    case 'mixing':
      return { at: 'outputs' };
    case 'rc':
      return RC_PAGES[id ?? ''];
    case 'firmware':
      return { at: 'firmware' };
    default:
      return undefined;
  }
}

const SERIAL = /\.(protocol|baud|flow|frame)$/;

const RC_PAGES: Readonly<Record<string, DecidedAt>> = {
  channels: { at: 'channels' },
  ranges: { at: 'modes' },
  choices: { at: 'modes' },
  figures: { at: 'modes' },
  osd: { at: 'picture' },
};
