import Joi from 'joi';

/** A page's title and main text, as the server found them. */
export interface FetchedPage {
  readonly title: string;
  readonly text: string;
}

const page = Joi.object({
  title: Joi.string().allow('').required(),
  text: Joi.string().allow('').required(),
});
const refusal = Joi.object({ reason: Joi.string().required() });

/** Has the server fetch a page; throws an Error that says why it can't. */
export async function fetchPage(address: string, signal: AbortSignal): Promise<FetchedPage> {
  let answer: Response;
  try {
    answer = await fetch('/fetch-page', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ address }),
      signal,
    });
  } catch (error) {
    if (signal.aborted) throw error;
    throw new Error('Green Thicket’s own server does not answer. Start it again with npm start.', {
      cause: error,
    });
  }
  const body: unknown = await answer.json().catch(() => ({}));
  if (answer.ok) {
    const { error, value } = page.validate(body) as { error?: Error; value: FetchedPage };
    if (!error) return value;
  }
  const { error, value } = refusal.validate(body) as { error?: Error; value: { reason: string } };
  throw new Error(error ? `The page can’t be fetched (${answer.status}).` : value.reason);
}
