import { foamOf, type Piece } from '../core/piece';
import type { HouseRules } from '../core/house';
import { curesFor, foamChart, forLoadedHeight, type ChartCell, type Cure } from '../core/sit';
import { proposalsFor, type Proposal } from '../core/cover';
import { sitView, type SitView } from '../core/view';
import { crownByWish, type CrownChoice, type CrownWish } from '../core/wish';

/** Longer work, one job to a worker: to give a job up, its worker is ended. */
export type Job =
  | { kind: 'sit'; piece: Piece; house: HouseRules }
  | { kind: 'cures'; piece: Piece; house: HouseRules }
  | { kind: 'wish'; piece: Piece; house: HouseRules; wish: CrownWish }
  | { kind: 'proposals'; piece: Piece; house: HouseRules }
  | { kind: 'height'; piece: Piece; house: HouseRules; wanted: number }
  | {
      kind: 'chart';
      piece: Piece;
      material: string;
      masses: number[];
      thicknesses: number[];
      limits: { share: number; leastLeft: number; mostStrain: number; pull: number };
    };

/** What a job answers with. */
export type Answers = {
  sit: { view: SitView | null } | { problems: { message: string }[] };
  cures: Cure[];
  wish: CrownChoice[];
  proposals: { share: number; proposals: Proposal[] };
  height: ReturnType<typeof forLoadedHeight>;
  chart: ChartCell[];
};

export type JobMessage<K extends Job['kind'] = Job['kind']> =
  { done: number; of: number; best?: Answers[K] } | { answer: Answers[K] } | { wrong: string };

const tell = (done: number, of: number): boolean => {
  self.postMessage({ done, of });
  return true;
};

self.onmessage = (event: MessageEvent<Job>) => {
  const job = event.data;
  try {
    self.postMessage({ answer: work(job) });
  } catch (error) {
    self.postMessage({ wrong: error instanceof Error ? error.message : String(error) });
  }
};

function work(job: Job): Answers[Job['kind']] {
  switch (job.kind) {
    case 'sit':
      return sitView(job.piece, job.house);
    case 'cures':
      return curesFor(job.piece, job.house, tell);
    case 'wish':
      return crownByWish(job.piece, job.house, job.wish, tell);
    case 'proposals':
      return proposalsFor(job.piece, job.house, tell);
    case 'height':
      return forLoadedHeight(job.piece, job.house, job.wanted);
    case 'chart': {
      const cells: ChartCell[] = [];
      const of = job.masses.length * job.thicknesses.length;
      for (const cell of foamChart(job.masses, job.thicknesses, foamOf(job.piece, job.material)!, job.limits)) {
        cells.push(cell);
        self.postMessage({ done: cells.length, of, best: [...cells] });
      }
      return cells;
    }
  }
}
