export { applyOverrides, figuresFor, readerOf, type RuleReader } from './apply-overrides';
export { checkRule, unusual } from './check-rule';
export { defaultHouse, ruleOf, RULES, type HouseRules, type Rule, type RuleUnit } from './rules';
export { ROLES, type Role } from './roles';
