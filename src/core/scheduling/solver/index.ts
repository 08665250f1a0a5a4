export { lowerBound } from './bound';
export { checkSchedule } from './check';
export { costOf, schedule, usualTries, type Found, type SolveOptions } from './solve';
export { FIRST_ONE_FROM, glueBatch, readTaskId, taskId, tasksOf, type SetToDo } from './tasks';
export { blocksOf, placeAll } from './place';
export { beginOf, endOf, type Done, type Link, type Problem, type Schedule, type Span, type Task, type Worker } from './types';
