import { MaxRectsPacker } from 'maxrects-packer';
import potpack from 'potpack';
import { layOut } from '../src/core/engines/layout/engine.ts';
import type { LayoutTask } from '../src/core/engines/layout/stock.ts';
import { curvedPieces, faultsOf, rectanglePiece } from '../tests/support/layouts.ts';
import { random } from '../tests/support/outlines.ts';

function timedLayout(name: string, task: LayoutTask, seconds: number, quiet = false) {
	const began = performance.now();
	const elapsed = () => (performance.now() - began) / 1000;
	const { work, soFar } = layOut(task, () => elapsed() > seconds);
	const curve: string[] = [];
	let first = 0;
	let rounds = 0;
	for (const better of work) {
		rounds++;
		if (!better) continue;
		first ||= elapsed();
		const { stock } = soFar();
		curve.push(
			`${elapsed().toFixed(1)} s ${stock.map((s) => `${s.sheets}/${Math.round(s.usedLength)} ${(100 * s.density).toFixed(1)}`).join(' ')}`
		);
	}
	const done = soFar();
	const faults = faultsOf(task, done);
	const points = task.pieces.reduce((n, p) => n + p.outline.length, 0) / task.pieces.length;
	console.log(
		`layout: ${name} (${points.toFixed(0)} points): first ${first.toFixed(2)} s, ended ${elapsed().toFixed(1)} s after ${rounds} rounds; ${done.stock
			.map(
				(s) => `${s.sheets} sheets, ${s.usedLength.toFixed(0)} mm, density ${(100 * s.density).toFixed(1)} %`
			)
			.join(
				'; '
			)}; ${done.unplaced.length} unplaced; ${faults.length} faults${faults.length ? `: ${faults.slice(0, 3).join('; ')}` : ''}`
	);
	if (!quiet) console.log(`  ${curve.filter((_, i) => i % Math.ceil(curve.length / 14) === 0).join(' · ')}`);
	return done;
}

/** Sides of squares that fill a rectangle whole: known to be possible, so the best is 100 %. */
const DISSECTED = [
	// Z. Moroń, 1925, from memory.
	{ name: 'Moroń’s 33 × 32 of 9 squares', wide: 33, high: 32, sides: [1, 4, 7, 8, 9, 10, 14, 15, 18] },
	// A. J. W. Duijvestijn, 1978, from memory.
	{
		name: 'Duijvestijn’s 112 × 112 of 21 squares',
		wide: 112,
		high: 112,
		sides: [2, 4, 6, 7, 8, 9, 11, 15, 16, 17, 18, 19, 24, 25, 27, 29, 33, 35, 37, 42, 50]
	}
];

export function layout(): void {
	console.log('');
	const sheets = { id: 'S', sheets: [], more: { width: 600, height: 600 }, roll: null };
	const roll = (width: number) => ({ id: 'S', sheets: [], more: null, roll: width });
	const common = { gap: 3, edge: 5, seed: 1 };
	timedLayout(
		'40 curved pieces on sheets of 600 × 600',
		{ ...common, stock: [sheets], pieces: curvedPieces(40, 130, 3) },
		10
	);
	timedLayout(
		'120 curved pieces on a roll of 1500',
		{ ...common, edge: 10, stock: [roll(1500)], pieces: curvedPieces(120, 150, 4, { rotations: [0, 180] }) },
		30
	);
	timedLayout(
		'40 curved pieces on sheets, any rotation',
		{ ...common, stock: [sheets], pieces: curvedPieces(40, 130, 3, { rotations: 'any' }) },
		10
	);
	for (const { name, wide, high, sides } of DISSECTED) {
		const pieces = sides.map((s, i) => rectanglePiece(`q${i}`, 10 * s, 10 * s, { rotations: [0] }));
		const task = { ...common, gap: 0, edge: 0, stock: [roll(10 * wide)], pieces };
		const { stock } = timedLayout(`${name}, ten times as large`, task, 5, true);
		console.log(`  ${((1000 * high) / stock[0]!.usedLength).toFixed(1)} % of the best there is`);
	}
	const next = random(9);
	const sizes = Array.from({ length: 60 }, () => [
		40 + Math.round(160 * next()),
		30 + Math.round(120 * next())
	]);
	const pieces = sizes.map(([w, h], i) => rectanglePiece(`r${i}`, w!, h!));
	timedLayout(
		'60 rectangles on sheets of 600 × 600',
		{ ...common, edge: 3, stock: [sheets], pieces },
		5,
		true
	);
	const packer = new MaxRectsPacker(600, 600, 3, {
		smart: false,
		pot: false,
		square: false,
		allowRotation: true,
		border: 3
	});
	packer.addArray(sizes.map(([width, height]) => ({ width, height, x: 0, y: 0 })) as never);
	console.log(`  maxrects-packer: ${packer.bins.length} sheets`);
	const boxes = sizes.map(([w, h]) => ({ w: w! + 3, h: h! + 3 }));
	const pot = potpack(boxes);
	timedLayout(
		`60 rectangles on a roll of ${pot.w}`,
		{ ...common, edge: 1.5, stock: [roll(pot.w)], pieces },
		5,
		true
	);
	console.log(`  potpack, which never turns any: ${pot.h} mm`);
	timedLayout(
		'500 curved pieces on sheets',
		{ ...common, stock: [sheets], pieces: curvedPieces(500, 90, 5) },
		20,
		true
	);
	timedLayout(
		'2,000 copies of 4 pieces on sheets',
		{ ...common, stock: [sheets], pieces: curvedPieces(4, 60, 5, { quantity: 500 }) },
		20,
		true
	);
	console.log(`  memory of this process: ${Math.round(process.memoryUsage().rss / 2 ** 20)} MB`);
}
