/** What the PDF library throws where a document is damaged: its own exceptions, named so. */
const isOfDamagedPdf = (error: unknown): boolean =>
  error instanceof Error && /(?:Exception|FormatError)$/.test(error.name + error.constructor.name);

/**
 * Does work in which the PDF library may reject promises that it hears itself of no more. The document is refused or read all the
 * same; without this the whole run would end. Anything else that nobody hears still ends it.
 */
export async function hearingPdf<T>(work: () => Promise<T>): Promise<T> {
  const hear = (error: unknown): void => {
    if (!isOfDamagedPdf(error)) throw error;
  };
  process.on('unhandledRejection', hear);
  try {
    const result = await work();
    // Rejections are told of once the present turn is over.
    await new Promise((resolve) => setImmediate(resolve));
    return result;
  } finally {
    process.off('unhandledRejection', hear);
  }
}
