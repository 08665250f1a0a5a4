export { ASKED_FOR, costOfTaking, withAskedFor, type AskedFor, type Cost } from './asked-for';
export { DAY, dayAfter, daysBetween, hoursOf, momentOf, readMinute, sayMinute, weekdayOf, workingDays } from './calendar';
export {
  changedSince,
  endsOf,
  problemOf,
  rangesOf,
  scheduleDiary,
  stepToDo,
  type Delivery,
  type DiaryInput,
  type KeptDiary,
  type Pace,
  type PieceEnd,
  type PieceToDo,
  type Pin,
  type Range,
  type StepToDo,
} from './diary';
export { ENOUGH, paceOf, type Taken } from './pace';
export { newPerson, newShop, PERSON, SHOP, shopProblems, WEEKDAYS, type Person, type Shop } from './shop';
