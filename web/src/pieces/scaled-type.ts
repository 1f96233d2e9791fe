/** Type size every word of a drawing is set in before it is scaled, in the drawing's units. */
const SET_SIZE = 16;

/**
 * Attributes of an SVG text of a size at a place: set once in one size and scaled to its own, drawn from outlines.
 *
 * A browser sets up every size of a variable font anew, at a millisecond or two each, and again at every step of a
 * zoom; so set, sixty words of sixty sizes cost as much as sixty of one. Outlines' halo scales with the word.
 */
export function scaledType(
  x: number,
  y: number,
  size: number,
): { readonly transform: string; readonly fontSize: number; readonly textRendering: 'geometricPrecision' } {
  return {
    transform: `translate(${x} ${y}) scale(${size / SET_SIZE})`,
    fontSize: SET_SIZE,
    textRendering: 'geometricPrecision',
  };
}
