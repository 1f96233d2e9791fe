/** Something that this browser is to remember, for every study: that it was seen, or how far one came. */
export interface KeptSign {
  /** What it is kept by. */
  readonly key: string;
  readonly read: () => string | null;
  readonly write: (value: string) => void;
}

/** A sign by its name. Where the browser keeps nothing, it is as at first whenever the page is opened. */
export function keptSign(name: string): KeptSign {
  const key = `green-thicket-${name}`;
  return {
    key,
    read: () => {
      try {
        return localStorage.getItem(key);
      } catch {
        return null;
      }
    },
    write: (value) => {
      try {
        localStorage.setItem(key, value);
      } catch (error) {
        console.warn(error);
      }
    },
  };
}
