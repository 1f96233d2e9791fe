import { useEffect, useRef } from 'react';

/** A place in the help: a page of docs/method by its file, and a heading on it. */
export interface HelpPlace {
  readonly page: string;
  readonly heading: string;
}

const ASKED = 'green-thicket-help';

/** Opens what is asked of the help, wherever on the page it is asked. */
export function useAskedHelp(open: (place: HelpPlace) => void): void {
  const latest = useRef(open);
  useEffect(() => {
    latest.current = open;
  });
  useEffect(() => {
    const onAsked = (event: Event): void => latest.current((event as CustomEvent<HelpPlace>).detail);
    window.addEventListener(ASKED, onAsked);
    return () => window.removeEventListener(ASKED, onAsked);
  }, []);
}

/** Beside what explains a figure: opens the help where it says how the figure is worked out. */
export function HowFound({ page, heading }: HelpPlace) {
  return (
    <button
      type="button"
      className="linklike"
      aria-label={`How it is worked out: ${heading}`}
      onClick={() => window.dispatchEvent(new CustomEvent(ASKED, { detail: { page, heading } }))}
    >
      How it is worked out
    </button>
  );
}
