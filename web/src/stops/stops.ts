import type { ControlName, Stop } from '@green-thicket/core/words/sentences';
import type { ControlDefinition } from '../controls/control-inputs.tsx';
import { cleanStop } from './clean/stop.ts';
import { compareStop } from './compare/stop.ts';
import { conceptsStop } from './concepts/stop.ts';
import { linksStop } from './links/stop.ts';
import { mapStop } from './map/stop.ts';
import { sourcesStop } from './sources/stop.ts';
import type { StopDescription } from './stop.ts';
import { themesStop } from './themes/stop.ts';

const DESCRIBED = {
  sources: sourcesStop,
  clean: cleanStop,
  concepts: conceptsStop,
  links: linksStop,
  themes: themesStop,
  map: mapStop,
  compare: compareStop,
};

/** Every stop. Nothing else imports one. */
export const STOPS_BY_NAME: Readonly<Record<Stop, StopDescription>> = DESCRIBED;

/** Every setting that stands in a method sentence. */
export const CONTROLS: Readonly<Record<ControlName, ControlDefinition>> = {
  ...DESCRIBED.sources.controls,
  ...DESCRIBED.clean.controls,
  ...DESCRIBED.concepts.controls,
  ...DESCRIBED.links.controls,
  ...DESCRIBED.themes.controls,
  ...DESCRIBED.map.controls,
  ...DESCRIBED.compare.controls,
};
