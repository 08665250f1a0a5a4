export { FINDINGS, findingOf, type Finding } from './findings';
export { compareOldCover, type OldCompared } from './old-cover';
export { leavesHoles, oldHoles } from './old-holes';
export { oldStaples, type OldStaple } from './old-staple';
export { pressTest, type PressVerdict } from './press-test';
export { withOldFoam } from './keep-old';
export { meetAgain, meetings, type Meeting } from './realign';
export { reassembly, type RefitStep } from './reassembly';
export { NO_STRIP } from './no-strip';
