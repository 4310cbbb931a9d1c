/** A sum of the person's own money: a sign stands before the figure ($12.50), a word after it (12.50 crowns). */
export function moneyText(amount: number, money: string): string {
  const figure = amount.toLocaleString('en-US', { minimumFractionDigits: 2, maximumFractionDigits: 2 });
  const name = money.trim();
  if (name === '') return figure;
  return /[\p{L}\d]/u.test(name) ? `${figure} ${name}` : `${name}${figure}`;
}
