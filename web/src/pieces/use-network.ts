import { networkInForce } from '@green-thicket/core/study/in-force';
import type { StudyState } from '@green-thicket/core/study/study';
import { useStudy } from './study-context.ts';

/** The network the open study is of, where it is one without texts. */
export const useNetwork = (): StudyState['network'] => networkInForce(useStudy().state);
