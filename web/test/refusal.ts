import { expect } from 'chai';
import { StoreError } from '../src/store/store-error.ts';

/** What a promise is refused with: a sentence for the researcher. */
export async function refusal(promise: Promise<unknown>): Promise<string> {
  try {
    await promise;
  } catch (error) {
    expect(error).to.be.instanceOf(StoreError);
    return error instanceof Error ? error.message : String(error);
  }
  throw new Error('It was not refused.');
}
