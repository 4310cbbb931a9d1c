import { SaxesParser, type SaxesAttributeNS, type SaxesTagNS } from 'saxes';
import { Refusal } from '../http/problems.ts';

/** Track files nest six deep, folders of places and what devices put into extensions some more. */
const DEEPEST = 32;

interface Element {
  /** Without its namespace. */
  readonly tag: string;
  readonly attribute: (name: string) => string | undefined;
}
interface Reader {
  /** `path` holds the elements around it, the outermost first. */
  readonly open: (element: Element, path: readonly string[]) => void;
  /** `said` is the text since the last tag, without the blanks around it. */
  readonly close: (tag: string, said: string, path: readonly string[]) => void;
}

/**
 * Walks through an XML file.
 * @throws Refusal FILE_UNREADABLE where it breaks off, is damaged, or nests deeper than any track does
 */
export function readXml(text: string, { open, close }: Reader): void {
  const path: string[] = [];
  let words = '';
  const parser = new SaxesParser({ xmlns: true });
  parser.on('error', (error) => {
    // A prefix that was never declared does no harm: devices write such files.
    if (/unbound namespace prefix/.test(error.message)) return;
    throw new Refusal(
      'FILE_UNREADABLE',
      `The file breaks off or is damaged near line ${parser.line}. Export it again from where it came.`,
      [{ path: 'file', message: error.message }],
    );
  });
  parser.on('opentag', ({ name, attributes }: SaxesTagNS) => {
    const tag = name.replace(/^.*:/, '');
    if (path.length >= DEEPEST)
      throw new Refusal('FILE_UNREADABLE', 'This file nests deeper than any track does. Export it again.');
    words = '';
    const byName = attributes as Readonly<Record<string, SaxesAttributeNS>>;
    open({ tag, attribute: (wanted) => byName[wanted]?.value }, path);
    path.push(tag);
  });
  const say = (said: string): void => {
    words += said;
  };
  parser.on('text', say);
  parser.on('cdata', say);
  parser.on('closetag', ({ name }) => {
    path.pop();
    const said = words.trim();
    words = '';
    close(name.replace(/^.*:/, ''), said, path);
  });
  parser.write(text).close();
}
