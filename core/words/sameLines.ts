/**
 * Which line of a text before each line of it now is: the same words, moved or not; else, of what lies between lines
 * that
 * stayed, the one in the same place. So a line that is changed word by word stays that line.
 *
 * @returns for each line now the number of the line before, or undefined for one that is new
 */
export function matchLines(before: readonly string[], now: readonly string[]): (number | undefined)[] {
  const found: (number | undefined)[] = now.map(() => undefined);
  const free = new Set(before.keys());
  const take = (i: number, j: number): void => {
    found[i] = j;
    free.delete(j);
  };
  let head = 0;
  while (head < now.length && head < before.length && now[head] === before[head]) take(head, head++);
  let tail = 0;
  while (
    tail < now.length - head &&
    tail < before.length - head &&
    now[now.length - 1 - tail] === before[before.length - 1 - tail]
  ) {
    take(now.length - 1 - tail, before.length - 1 - tail);
    tail++;
  }
  const places = new Map<string, number[]>();
  for (const j of free) places.set(before[j] ?? "", [...(places.get(before[j] ?? "") ?? []), j]);
  for (const [i, text] of now.entries()) {
    const j = found[i] === undefined ? places.get(text)?.shift() : undefined;
    if (j !== undefined) take(i, j);
  }
  // What is left was changed where it stands: between the same neighbours, in its order.
  for (const [i] of now.entries()) {
    if (found[i] !== undefined) continue;
    const above = found[i - 1];
    const next = above === undefined ? (i === 0 ? 0 : undefined) : above + 1;
    const j = next !== undefined && free.has(next) ? next : undefined;
    if (j !== undefined) take(i, j);
  }
  return found;
}
