/**
 * A bare number as people type it; NaN for what is none, and for nothing. Commas that part thousands are left out ("1,750"), a lone one
 * that cannot part thousands is the decimal ("1,5", "0,250"), as in much of the world.
 */
export function numberTyped(text: string): number {
  const typed = text.trim();
  if (typed === '') return NaN;
  const plain = /^[+-]?[1-9]\d{0,2}(,\d{3})+(\.\d*)?$/.test(typed)
    ? typed.replaceAll(',', '')
    : typed.replace(',', '.');
  // No hexadecimal, no "Infinity".
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : NaN;
}
