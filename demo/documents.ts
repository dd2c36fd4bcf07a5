import { makeAlmanac } from './makeAlmanac.ts';
import { makeForm } from './makeForm.ts';
import { makeHandbook } from './makeHandbook.ts';
import { makeLoanForm } from './makeLoanForm.ts';
import { makeReading } from './makeReading.ts';
import { makeTideLog } from './makeTideLog.ts';
import { makeSecondWorksheet, makeWorksheet } from './makeWorksheet.ts';

/** The sample documents, in the order of the desk; the first five lie on it from the start. */
export const DOCUMENTS = [
  { file: 'rock-pool-zones.pdf', title: 'Rock-pool zones', onDesk: true, make: makeWorksheet },
  { file: 'barnacles.pdf', title: 'How barnacles choose a rock', onDesk: true, make: makeReading },
  { file: 'tide-log.pdf', title: 'Tide log, scanned', onDesk: true, make: makeTideLog },
  { file: 'handbook.pdf', title: 'Course handbook', onDesk: true, make: makeHandbook },
  { file: 'equipment-form.pdf', title: 'Equipment form', onDesk: true, make: makeForm },
  { file: 'loan-form.pdf', title: 'Loan of instruments', onDesk: false, make: makeLoanForm },
  {
    file: 'rock-pool-zones-2.pdf',
    title: 'Rock-pool zones, second edition',
    onDesk: false,
    make: makeSecondWorksheet,
  },
  { file: 'tide-almanac.pdf', title: 'Tide almanac', onDesk: false, make: makeAlmanac },
] as const;
