import { useGroundWish, type GroundWish } from './ground.ts';

const SAID: Readonly<Record<GroundWish, string>> = { system: 'as the system', light: 'light', dark: 'dark' };

/** Light or dark, or as the system has it. What is printed or saved is light. Plain buttons: the first page has it too. */
export function GroundChoice() {
  const [wish, choose] = useGroundWish();
  return (
    <p
      className="control-row quiet"
      role="group"
      aria-label="Light or dark"
      title="Pictures, reports and what is printed are light in either"
    >
      Colours:
      {(Object.keys(SAID) as GroundWish[]).map((value) => (
        <button
          key={value}
          type="button"
          className="linklike"
          aria-pressed={wish === value}
          onClick={() => choose(value)}
        >
          {wish === value ? <strong>{SAID[value]}</strong> : SAID[value]}
        </button>
      ))}
    </p>
  );
}
