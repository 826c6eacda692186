/**
 * Measures and prints; it never fails on a figure. `npm run bench` for all, `npm run bench -- pages` for one.
 * Pages and pictures are measured on a server of their own with fresh demo data.
 */
import { cpus } from 'node:os';
import { buy } from './buy.ts';
import { flat } from './flatten.ts';
import { colour } from './colour.ts';
import { layout } from './layout.ts';
import { mesh } from './mesh.ts';
import { pages } from './pages.ts';
import { pattern } from './pattern.ts';
import { piece } from './piece.ts';
import { picture } from './picture.ts';
import { plane } from './plane.ts';
import { schedule } from './schedule.ts';
import { dress } from './dress.ts';
import { cases } from './cases.ts';
import { drawing, traced } from './trace.ts';
import { turning } from './turning.ts';

const BENCHES: Record<string, () => void | Promise<void>> = {
	schedule,
	plane,
	pattern,
	mesh,
	flat,
	layout,
	buy,
	colour,
	dress,
	cases,
	trace: traced,
	drawing,
	piece,
	picture,
	turning,
	pages
};
const chosen = process.argv.slice(2);
console.log(`Node ${process.version}, ${cpus().length} × ${cpus()[0]?.model}`);
for (const [name, bench] of Object.entries(BENCHES))
	if (!chosen.length || chosen.includes(name)) await bench();
