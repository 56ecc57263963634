/** A name that is not taken: `Round`, or `Round 2` where there is one. `freeName('a', ['a']) // 'a 2'` */
export function freeName(wanted: string, taken: readonly string[]): string {
  for (let n = 1; ; n++) {
    const name = n === 1 ? wanted : `${wanted} ${n}`;
    if (!taken.includes(name)) return name;
  }
}
