export { DAY, dayAfter, daysBetween, hoursOf, momentOf, readMinute, sayMinute, weekdayOf } from './calendar';
export {
  changedSince,
  endsOf,
  problemOf,
  rangesOf,
  scheduleDiary,
  type Delivery,
  type DiaryInput,
  type KeptDiary,
  type Pace,
  type PieceEnd,
  type PieceToDo,
  type Pin,
  type Range,
} from './diary';
export { ENOUGH, paceOf, type Taken } from './pace';
export { newPerson, newShop, PERSON, SHOP, shopProblems, WEEKDAYS, type Person, type Shop } from './shop';
