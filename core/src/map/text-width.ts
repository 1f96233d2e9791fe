/** Advance widths of Figtree's characters U+0020 to U+007E in thousandths of the type size, at two weights. */
const MEDIUM = [
  244, 302, 345, 629, 561, 793, 645, 212, 360, 360, 483, 626, 235, 414, 219, 401, 643, 416, 564, 547, 624,
  576, 569, 542, 614, 569, 266, 271, 626, 626, 626, 506, 990, 687, 611, 722, 691, 591, 546, 756, 751, 276,
  525, 625, 524, 849, 774, 779, 586, 782, 631, 612, 561, 706, 701, 967, 632, 616, 638, 329, 401, 329, 559,
  437, 233, 516, 589, 542, 588, 548, 376, 591, 561, 240, 275, 500, 227, 857, 561, 580, 594, 581, 349, 466,
  384, 561, 530, 798, 492, 540, 488, 388, 257, 388, 595,
];
const BOLD = [
  240, 310, 394, 631, 556, 807, 647, 236, 376, 376, 486, 630, 251, 410, 240, 423, 647, 420, 575, 553, 631,
  580, 577, 552, 612, 577, 292, 296, 630, 630, 630, 511, 991, 707, 612, 724, 697, 589, 552, 746, 750, 285,
  545, 655, 534, 855, 773, 785, 598, 787, 641, 608, 578, 704, 717, 980, 666, 638, 634, 340, 423, 340, 575,
  435, 255, 528, 594, 545, 593, 552, 388, 598, 567, 256, 286, 527, 241, 868, 566, 581, 599, 589, 371, 466,
  397, 566, 549, 825, 524, 566, 480, 392, 256, 392, 647,
];
/** A letter outside the table is about as wide as an n; an ideograph fills the square. */
const OTHER_LETTER = 600;
const WIDE = 1000;
const FIRST_WIDE = 0x2e80;

/** Width of a text in the interface's type, in the unit of its size. No page is needed to measure it. */
export function textWidth(text: string, size: number, bold = false): number {
  const table = bold ? BOLD : MEDIUM;
  let sum = 0;
  for (const character of text) {
    const code = character.codePointAt(0) ?? 0;
    sum += table[code - 32] ?? (code >= FIRST_WIDE ? WIDE : OTHER_LETTER);
  }
  return (sum * size) / 1000;
}

/** Words broken into lines of a width, in type of a size. */
export function inLines(text: string, width: number, type: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(/\s+/)) {
    const last = lines[lines.length - 1];
    if (last !== undefined && textWidth(`${last} ${word}`, type) <= width)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}
