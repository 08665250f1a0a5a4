import { ruleOf, type Rule, type RuleUnit } from './rules';

const UNIT_NAMES: Record<RuleUnit, string> = {
  length: 'mm',
  percent: '%',
  seconds: 's',
  minutes: 'min',
  count: '',
  mass: 'kg',
  force: 'N',
  money: '',
};

/** A figure with its unit, for a message. */
function say(rule: Rule, value: number): string {
  return `${value} ${UNIT_NAMES[rule.unit]}`.trim();
}

/**
 * Says what is wrong with a figure for a rule.
 *
 * @param key the rule's key
 * @param value the figure, in the rule's unit
 * @returns a message, or null when the figure can be used
 */
export function checkRule(key: string, value: unknown): string | null {
  const rule = ruleOf(key);
  if (!rule) return `There is no house rule called “${key}”`;
  if (typeof value !== 'number' || !Number.isFinite(value)) return `${rule.label}: not a figure`;
  const [low, high] = rule.allowed;
  if (value < low)
    return `${rule.label}: ${say(rule, value)} is too little; ${say(rule, low)} minimum, ${say(rule, rule.sensible[0])} to ${say(rule, rule.sensible[1])} is usual`;
  if (value > high)
    return `${rule.label}: ${say(rule, value)} is too much; ${say(rule, high)} maximum, ${say(rule, rule.sensible[0])} to ${say(rule, rule.sensible[1])} is usual`;
  return null;
}

/** A remark when a figure can be used but is outside what is usual, or null. */
export function unusual(key: string, value: number): string | null {
  const rule = ruleOf(key);
  if (!rule || (value >= rule.sensible[0] && value <= rule.sensible[1])) return null;
  return `Usual is ${say(rule, rule.sensible[0])} to ${say(rule, rule.sensible[1])}`;
}
