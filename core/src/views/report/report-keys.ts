import { reads } from '../view.ts';

/** They ask whatever the others read, so their keys are made of all of the study. */
const all = reads([], (state) => ({ ...state }));

export const REPORT_KEYS = { figure: all, report: all, reportFile: all, everythingFile: all, workbook: all };
