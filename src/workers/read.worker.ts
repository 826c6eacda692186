import { readDxf } from '../core/formats/readDxf.ts';
import { readSvg } from '../core/formats/readSvg.ts';
import { answer } from './answer.ts';

/** Pieces read from a drawing, off the page. */
answer<'read'>(({ format, text, unit }, { progress }) =>
	(format === 'svg' ? readSvg : readDxf)(text, unit, progress)
);
