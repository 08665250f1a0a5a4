import { CHECKS } from './checks';
import type { Finding, Inspected } from './finding';

/**
 * Inspects a finished plan by what is published of it alone, before anybody cuts: from the flat parts, the outline, the stations, the
 * lays, the fasteners, the steps and the shopping list it works out again what must hold. It shares no code with what made the plan.
 * Source: docs/models.md, "Inspection".
 *
 * @param inspected a plan, whole or in part, and the sizes that are shown with it; a check that lacks a part of the plan is left out
 * @returns what cannot be right, in words that name part, place and millimetres; nothing for a sound plan
 */
export function inspectPlan({ plan, sizes = [] }: Inspected): Finding[] {
  const has: Record<string, boolean> = {
    board: plan.base.board !== undefined,
    strip: plan.strip !== undefined,
    cover: plan.cover !== undefined,
    cut: plan.cut !== undefined,
    fixing: plan.fixing !== undefined,
    run: plan.steps !== undefined,
  };
  return CHECKS.filter(({ needs }) => needs.every((part) => has[part])).flatMap(({ id, find }) =>
    find({ plan, sizes }).map((found) => ({ check: id, ...found })),
  );
}
