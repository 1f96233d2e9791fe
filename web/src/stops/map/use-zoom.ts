import { select as d3Select } from 'd3-selection';
import { zoom as d3Zoom, zoomIdentity, zoomTransform, type ZoomBehavior, type ZoomTransform } from 'd3-zoom';
import { useEffect, useRef, useState } from 'react';
import type { Sheet } from '@green-thicket/core/base/sheets';

/** Words grow as the zoom to the power of one less this. */
const TYPE_LAG = 0.3;
/** How far beyond its edges the map may be moved, in its own units. */
const MARGIN = 100;
/** How near a word is looked at that is searched for. */
const NEAR = 2.2;

/** How the map lies in its pane while nothing is zoomed: pixels a unit of its own, and pixels left of it and above. */
interface Fit {
  readonly scale: number;
  readonly left: number;
  readonly top: number;
}

function fitIn({ clientWidth, clientHeight }: HTMLElement, { width, height }: Sheet): Fit {
  const scale = Math.min(clientWidth / width, clientHeight / height);
  return {
    scale,
    left: (clientWidth - width * scale) / 2,
    top: (clientHeight - height * scale) / 2,
  };
}

/** The transform that shows in a pane of another size what was shown before. */
function fittedAnew({ x, y, k }: ZoomTransform, before: Fit, now: Fit): ZoomTransform {
  const grown = now.scale / before.scale;
  return zoomIdentity
    .translate(
      now.left + (x + k * before.left - before.left) * grown - k * now.left,
      now.top + (y + k * before.top - before.top) * grown - k * now.top,
    )
    .scale(k);
}

/** Has a layer that was scaled drawn anew in the size it has come to, as a browser does once it is none any more. */
function drawSharp(sheet: SVGSVGElement): void {
  sheet.style.willChange = 'auto';
  requestAnimationFrame(() => requestAnimationFrame(() => sheet.style.removeProperty('will-change')));
}

export interface MapZoom {
  /** How many times its size the map is shown, in tenths, and never less than 1. */
  readonly zoom: number;
  readonly zoomBy: (factor: number) => void;
  readonly showWhole: () => void;
  /** Brings a place of the map to the middle. */
  readonly lookAt: (x: number, y: number) => void;
}

/**
 * Lets a drawing be zoomed and moved within its pane, by the wheel and by dragging. It is a layer of its own, which the browser
 * scales as it stands while it moves; in the end it is drawn anew, with words that have grown less than the map.
 */
export function useZoom(
  pane: HTMLElement | null,
  sheet: SVGSVGElement | null,
  { width, height }: Sheet,
): MapZoom {
  const [zoom, setZoom] = useState(1);
  const zooming = useRef<ZoomBehavior<HTMLElement, unknown>>(null);
  useEffect(() => {
    if (!pane || !sheet) return undefined;
    const behaviour = d3Zoom<HTMLElement, unknown>()
      // A word that is dragged does not take the map along.
      .filter(
        (event: MouseEvent) =>
          event.type === 'wheel' ||
          (!event.ctrlKey &&
            event.button === 0 &&
            !(event.target instanceof Element && event.target.closest('[data-word]'))),
      )
      .scaleExtent([0.8, 8])
      .on('zoom', ({ transform: { x, y, k } }: { transform: ZoomTransform }) => {
        sheet.style.transform = `translate(${x}px, ${y}px) scale(${k})`;
      })
      // Words come in when the map stands, so that the drawing is not made anew while it moves.
      .on('end', ({ transform: { k } }: { transform: ZoomTransform }) => {
        // Type grows less than the map, so that there is more room between words the closer one looks.
        sheet.style.setProperty('--word-scale', String(Math.max(1, k) ** -TYPE_LAG));
        setZoom(Math.max(1, Math.floor(k * 10) / 10));
        drawSharp(sheet);
      });
    let fit = fitIn(pane, { width, height });
    const bound = (): void => {
      const { scale, left, top } = fit;
      behaviour.translateExtent([
        [left - MARGIN * scale, top - MARGIN * scale],
        [left + (width + MARGIN) * scale, top + (height + MARGIN) * scale],
      ]);
    };
    bound();
    const canvas = d3Select(pane);
    canvas.call(behaviour).on('dblclick.zoom', null);
    behaviour.transform(canvas, zoomIdentity);
    const sizes = new ResizeObserver(() => {
      const now = fitIn(pane, { width, height });
      if (now.scale <= 0 || (now.scale === fit.scale && now.left === fit.left && now.top === fit.top)) return;
      const shown = fit.scale > 0 ? fittedAnew(zoomTransform(pane), fit, now) : zoomIdentity;
      fit = now;
      bound();
      behaviour.transform(canvas, shown);
    });
    sizes.observe(pane);
    zooming.current = behaviour;
    return () => {
      sizes.disconnect();
      canvas.on('.zoom', null);
    };
  }, [pane, sheet, width, height]);

  const withPane = (work: (behaviour: ZoomBehavior<HTMLElement, unknown>, pane: HTMLElement) => void) => {
    if (pane && zooming.current) work(zooming.current, pane);
  };
  return {
    zoom,
    zoomBy: (factor) => withPane((behaviour, on) => behaviour.scaleBy(d3Select(on), factor)),
    showWhole: () => withPane((behaviour, on) => behaviour.transform(d3Select(on), zoomIdentity)),
    lookAt: (x, y) =>
      withPane((behaviour, on) => {
        const { scale, left, top } = fitIn(on, { width, height });
        const shown = zoomIdentity
          .translate(on.clientWidth / 2, on.clientHeight / 2)
          .scale(NEAR)
          .translate(-left - scale * x, -top - scale * y);
        behaviour.transform(d3Select(on), shown);
      }),
  };
}
