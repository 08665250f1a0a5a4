import { set, type Broken } from './sound-plans';

/** What can be broken on a run sheet and on the shopping list. */
export const BROKEN_STEPS: readonly Broken[] = [
  [
    'a step before what it waits for',
    'pulled',
    ({ plan }) => {
      const last = plan.steps.pop()!;
      plan.steps.unshift(last);
    },
    ['steps'],
  ],
  ['a step twice', 'pulled', ({ plan }) => void plan.steps.push(plan.steps.at(-1)!), ['steps']],
  [
    'a dust cover that no step uses',
    'pulled',
    ({ plan }) =>
      set(plan, {
        steps: plan.steps
          .filter(({ key }) => key !== 'dust')
          .map((step) => ({ ...step, after: step.after.filter((key) => key !== 'dust') })),
      }),
    ['steps'],
  ],
  [
    'a pad that no step lays',
    'pulled',
    ({ plan }) => plan.steps.forEach((step) => step.sees?.pad === 'main' && delete step.sees),
    ['steps'],
  ],
  [
    'staples that nobody buys',
    'pulled',
    (found) => void (found.sizes = found.sizes.filter(({ ware }) => ware === undefined || ware === 'laid' || ware.kind !== 'staple')),
    ['goods'],
  ],
  [
    'less cloth bought than laid',
    'pulled',
    ({ sizes }) =>
      set(
        sizes.find(({ key }) => key === 'cloth.length')!,
        { value: 500 },
      ),
    ['goods'],
  ],
  [
    'a sheet of foam too few',
    'pulled',
    ({ sizes }) =>
      set(
        sizes.find(({ key }) => key === 'foam.sheets')!,
        { value: 1 },
      ),
    ['goods'],
  ],
  [
    'boards that are sawn and not bought',
    'sawn',
    ({ sizes }) =>
      set(
        sizes.find(({ key }) => key === 'board.sheets')!,
        { value: 0 },
      ),
    ['goods'],
  ],
  ['a board that no sheet has', 'sawn', ({ plan }) => void plan.cut.board!.sheets[0]!.pop(), ['lays']],
];
