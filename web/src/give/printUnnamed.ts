/** A name that must not stand on paper, and what stands there instead. */
export interface Withheld {
  readonly name: string;
  readonly instead: string;
}

/** A text without the names, the longest looked for first: “Otter bar” is no “Otter” with a bar. */
export function without(text: string, withheld: readonly Withheld[]): string {
  return [...withheld]
    .filter((w) => w.name.trim() !== '')
    .sort((a, b) => b.name.length - a.name.length)
    .reduce((left, { name, instead }) => left.replaceAll(name, instead), text);
}

/** Prints the page as it stands, but for names and remarks: they are taken out while it is printed and stand there again after it. */
export function printUnnamed(withheld: readonly Withheld[]): void {
  const back: (() => void)[] = [];
  const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  for (let node = texts.nextNode(); node; node = texts.nextNode()) {
    const [held, was] = [node, node.nodeValue ?? ''];
    const now = without(was, withheld);
    if (now === was) continue;
    held.nodeValue = now;
    back.push(() => (held.nodeValue = was));
  }
  // What was typed is nobody's business either.
  for (const field of document.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>('input, textarea')) {
    const was = field.value;
    if (was === '' || field.type === 'checkbox' || field.type === 'radio') continue;
    field.value = '';
    back.push(() => (field.value = was));
  }
  document.documentElement.dataset['unnamed'] = '';
  back.push(() => delete document.documentElement.dataset['unnamed']);
  addEventListener(
    'afterprint',
    () => {
      for (const put of back.reverse()) put();
    },
    { once: true },
  );
  print();
}
