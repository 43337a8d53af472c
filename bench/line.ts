interface Measured {
  figure: number;
  most?: number;
  least?: number;
  unit: string;
  note?: string;
}

/** One figure, with its limit and whether it holds. */
export function line(what: string, { figure, most, least, unit, note = '' }: Measured): void {
  const limit = most === undefined ? `at least ${least}` : `at most ${most}`;
  const holds = most === undefined ? figure >= least! : figure <= most;
  const digits = figure < 10 ? 2 : figure < 100 ? 1 : 0;
  const shown = [figure.toFixed(digits), unit].join(' ').trim();
  console.log(
    `${holds ? 'holds ' : 'MISSED'}  ${what.padEnd(62)} ${shown.padStart(12)}  ${`${limit} ${unit}`.trim().padEnd(18)} ${note}`,
  );
}
