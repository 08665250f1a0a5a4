import { lowerBound, type Problem } from '@/core/scheduling/solver';

/** As long as nothing lasts: what is larger than all tasks and waits together. */
const most = ({ tasks }: Problem): number =>
  tasks.reduce((sum, { minutes, after }) => sum + minutes + Math.max(0, ...after.map(({ least }) => least)), 0);

/**
 * The same question asked of a solver for whole numbers, which proves its answer: starts, who does what, and of every two that could
 * meet which comes first. Work without breaks; benches are as many as people.
 */
export function asProgramme(problem: Problem): string {
  const { tasks, workers } = problem;
  const big = most(problem);
  const rows: string[] = [];
  const binaries: string[] = [];
  tasks.forEach((a, i) => {
    rows.push(`span - s${i} >= ${a.minutes}`);
    rows.push(`${workers.map((_, w) => `x${i}_${w}`).join(' + ')} = 1`);
    binaries.push(...workers.map((_, w) => `x${i}_${w}`));
    for (const { on, least, most: within } of a.after) {
      const k = tasks.findIndex(({ id }) => id === on);
      rows.push(`s${i} - s${k} >= ${tasks[k]!.minutes + least}`);
      if (within !== null) rows.push(`s${i} - s${k} <= ${tasks[k]!.minutes + within}`);
    }
    tasks.slice(i + 1).forEach((b, off) => {
      const j = i + 1 + off;
      binaries.push(`y${i}_${j}`);
      // Either the one is over before the other begins, where both are in one place or in one person's hands.
      if (a.place === b.place && problem.places[a.place!] === 1) {
        rows.push(`s${j} - s${i} - ${big} y${i}_${j} >= ${a.minutes - big}`);
        rows.push(`s${i} - s${j} + ${big} y${i}_${j} >= ${b.minutes}`);
      }
      workers.forEach((_, w) => {
        rows.push(`s${j} - s${i} - ${big} y${i}_${j} - ${big} x${i}_${w} - ${big} x${j}_${w} >= ${a.minutes - 3 * big}`);
        rows.push(`s${i} - s${j} + ${big} y${i}_${j} - ${big} x${i}_${w} - ${big} x${j}_${w} >= ${b.minutes - 2 * big}`);
      });
    });
  });
  const bounds = [...tasks.map((_, i) => `0 <= s${i} <= ${big}`), `${lowerBound(problem)} <= span <= ${big}`];
  return `Minimize\n obj: span\nSubject To\n${rows.map((row, k) => ` c${k}: ${row}`).join('\n')}\nBounds\n${bounds.map((id) => ` ${id}`).join('\n')}\nBinary\n ${binaries.join('\n ')}\nEnd\n`;
}
