import { createContext, useContext, type ReactNode } from 'react';

/** Something that happened, said in a line over the work; it stays until it was looked at. */
export interface Notice {
  readonly words: string;
  /** What there is to say beyond the line. */
  readonly details?: ReactNode;
  /** Whether it stays at other stops too, as what went wrong does; else it was seen when one goes on. */
  readonly stays: boolean;
}

export const NoticeContext = createContext<(notice: Notice) => void>(() => {
  throw new Error('There is no place to say it.');
});

/** Says something in the line over the work, in the place of what stood there. */
export const useNotice = (): ((notice: Notice) => void) => useContext(NoticeContext);
