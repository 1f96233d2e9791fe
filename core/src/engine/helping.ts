import type { Hands } from '../base/share-out.ts';
import { finishInTime, type Stepwise } from '../base/stepwise.ts';
import { JOBS, type Helpers, type JobName, type PartOf, type ResultOf, type SharedOf } from './jobs.ts';

/**
 * A thread that does parts of jobs, as it is called from another. Work is told by a number; what its parts share is handed
 * over once. Which job it is tells what is shared, a part and a result (`Jobs`).
 */
export interface Hand {
  begin(work: number, job: JobName, shared: unknown): Promise<void>;
  do(work: number, part: unknown): Promise<unknown>;
  end(work: number): Promise<void>;
}

/** What a thread that helps does: it keeps what the parts of a piece of work share, and does one after the other. */
export function helpingHand(): Hand {
  const works = new Map<number, (part: never) => Stepwise<unknown>>();
  return {
    async begin(work, job, shared) {
      works.set(work, JOBS[job](shared as never));
    },
    async do(work, part) {
      const doPart = works.get(work);
      if (!doPart) throw new Error(`Nothing is known of work ${work}.`);
      return finishInTime(doPart(part as never));
    },
    async end(work) {
      works.delete(work);
    },
  };
}

/** A hand that was started. */
export interface StartedHand {
  readonly hand: Hand;
  /** Is rejected when the thread comes to its end by a fault; what was asked of it is never answered then. */
  readonly broken: Promise<never>;
  readonly stop: () => void;
}

/** Where hands come from. */
export interface HandSource {
  /** The most hands there may be. */
  readonly most: number;
  readonly start: () => StartedHand;
  /** Work that is over sooner than this, in milliseconds, is not worth the start of a thread. */
  readonly worthIt: number;
  readonly pause: (milliseconds: number) => Promise<void>;
  /** Told when a hand can't be started or used; the work is done without it. */
  readonly warn: (reason: unknown) => void;
}

/** Hands that had nothing to do for so long are let go, with what they hold. */
const IDLE = 30_000;

/** Has parts of jobs done by threads, which are started when work turns out to be long, and let go after it. */
export function helpersOf({ most, start, worthIt, pause, warn }: HandSource): Helpers & {
  /** Starts all hands before there is anything to do, where it is known that there will be. */
  readonly startNow: () => void;
  /** Lets all hands go for good: what is asked from now on is done where it is asked. */
  readonly stop: () => void;
} {
  const started = new Map<number, StartedHand>();
  let limit = most;
  let begun = 0;
  const underWay = new Set<number>();
  const letGo = (): void => {
    for (const each of started.values()) each.stop();
    started.clear();
  };
  /** Without those that don't work, everything is done where it is asked. */
  const doWithout = (reason: unknown): void => {
    limit = 0;
    warn(reason);
  };
  const handAt = async (at: number, work: number): Promise<StartedHand | undefined> => {
    await pause(worthIt);
    if (!underWay.has(work) || at >= limit) return undefined;
    const hand = started.get(at) ?? start();
    started.set(at, hand);
    return hand;
  };
  const letGoWhenIdle = async (): Promise<void> => {
    const latest = begun;
    await pause(IDLE);
    if (begun === latest && underWay.size === 0) letGo();
  };
  const begin = <J extends JobName>(
    job: J,
    shared: SharedOf<J>,
  ): Hands<PartOf<J>, ResultOf<J>> | undefined => {
    if (limit === 0) return undefined;
    const work = ++begun;
    underWay.add(work);
    /** The hands that were told of this work; what they are asked after that reaches them after it. */
    const told = new Map<number, StartedHand>();
    const coming = new Map<number, Promise<boolean>>();
    const tell = (at: number, hand: StartedHand): true => {
      told.set(at, hand);
      Promise.race([hand.hand.begin(work, job, shared), hand.broken]).catch(doWithout);
      return true;
    };
    const tellLater = async (at: number): Promise<boolean> => {
      try {
        const hand = await handAt(at, work);
        return hand !== undefined && tell(at, hand);
      } catch (error) {
        doWithout(error);
        return false;
      }
    };
    return {
      count: limit,
      ready(at) {
        if (told.has(at)) return true;
        const hand = started.get(at);
        if (hand) return tell(at, hand);
        const waiting = coming.get(at) ?? tellLater(at);
        coming.set(at, waiting);
        return waiting;
      },
      do(at, part) {
        const hand = told.get(at);
        if (!hand) throw new Error(`Hand ${at} was not told of this work.`);
        return Promise.race([hand.hand.do(work, part), hand.broken]) as Promise<ResultOf<J>>;
      },
      end() {
        underWay.delete(work);
        for (const { hand } of told.values()) hand.end(work).catch(warn);
        letGoWhenIdle().catch(warn);
      },
    };
  };
  return {
    begin,
    startNow() {
      try {
        for (let at = 0; at < limit; at++) started.set(at, started.get(at) ?? start());
      } catch (error) {
        doWithout(error);
      }
    },
    stop() {
      limit = 0;
      letGo();
    },
  };
}

/** The buffers of what a job made, which may be handed over as they are. */
export const buffersIn = (result: unknown): ArrayBuffer[] =>
  result !== null && typeof result === 'object' && !ArrayBuffer.isView(result)
    ? Object.values(result).flatMap((each: unknown) =>
        ArrayBuffer.isView(each) && each.buffer instanceof ArrayBuffer ? [each.buffer] : [],
      )
    : [];
