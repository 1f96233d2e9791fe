import { ownValue } from './records.ts';

/** What is told apart by its kind. */
interface OfAKind {
  readonly kind: string;
}

/** For each kind of a union's members, what is done with one. */
export type ByKind<Member extends OfAKind, Result, Beside extends readonly unknown[] = []> = {
  readonly [Kind in Member['kind']]: (
    member: Extract<Member, { readonly kind: Kind }>,
    ...beside: Beside
  ) => Result;
};

/**
 * Does what is done with a member of its kind; undefined of a kind that is not known. The one place where kind and handler
 * are put together, which the compiler can't follow: it knows the handlers to be of all kinds, each with its own.
 */
export function doByKind<Member extends OfAKind, Result, Beside extends readonly unknown[] = []>(
  handlers: ByKind<Member, Result, Beside>,
  member: Member,
  ...beside: Beside
): Result | undefined {
  const known: Readonly<Record<string, unknown>> = handlers;
  const handler = ownValue(known, member.kind) as ((member: Member, ...beside: Beside) => Result) | undefined;
  return handler?.(member, ...beside);
}
