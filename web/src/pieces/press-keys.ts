/** Answers Enter and Space on a drawn thing as a button does. */
export function pressKeys(act: () => void) {
  return (event: React.KeyboardEvent): void => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    act();
  };
}
