import { breakTextIntoLines, type PDFDocument, type PDFFont, type PDFImage, type PDFPage } from 'pdf-lib';
import { PAPERS } from '../engines/pattern/tile.ts';
import type { Lettering } from './lettering.ts';
import { BLACK, GREY, PT } from './pdf.ts';

const { width: WIDTH, height: HEIGHT } = PAPERS.a4;
const SIDE = 22;
const TOP = 22;
const FOOT = 24;
/** mm across that are written on. */
export const ROOM = WIDTH - 2 * SIDE;
/** mm from line to line, at 10 points. */
export const LINE = 5.2;

export interface Cell {
	text: string;
	/** mm from the left of the column of text; the right end of what stands at the right. */
	at: number;
	right?: boolean;
	bold?: boolean;
	wide?: number;
}

/** Text in lines no wider than there is room, points; what is one long word is cut. */
const linesOf = (text: string, font: PDFFont, size: number, room: number): string[] =>
	text
		.split('\n')
		.flatMap((line) =>
			line.trim() === ''
				? ['']
				: breakTextIntoLines(line.replace(/\S{40}/g, '$& '), [' '], room, (part) =>
						font.widthOfTextAtSize(part, size)
					)
		);

/** Writes down the page, and goes on on the next where it is full. */
export class Sheet {
	page!: PDFPage;
	/** mm from the top. */
	y = 0;
	constructor(
		private doc: PDFDocument,
		private fonts: Lettering
	) {
		this.turn();
	}

	turn(): void {
		this.page = this.doc.addPage([WIDTH * PT, HEIGHT * PT]);
		this.y = TOP;
	}

	/** Room for so much, on this page or the next. */
	keep(mm: number): void {
		if (this.y + mm > HEIGHT - FOOT) this.turn();
	}

	row(cells: readonly Cell[], size = 10, color = BLACK): void {
		const laid = cells.map((c) => {
			const font = c.bold ? this.fonts.bold : this.fonts.plain;
			return { ...c, font, lines: linesOf(c.text, font, size, (c.wide ?? ROOM) * PT) };
		});
		const most = Math.max(1, ...laid.map((l) => l.lines.length));
		const step = (LINE * size) / 10;
		for (let i = 0; i < most; i++) {
			this.keep(step);
			for (const { lines, font, at, right } of laid) {
				const text = lines[i] ?? '';
				const back = right ? font.widthOfTextAtSize(text, size) : 0;
				const x = (SIDE + at) * PT - back;
				this.page.drawText(text, { x, y: (HEIGHT - this.y - step + 1.2) * PT, size, font, color });
			}
			this.y += step;
		}
	}

	text(text: string, { size = 10, bold = false, color = BLACK } = {}): void {
		for (const part of text.split('\n')) this.row([{ text: part, at: 0, bold, wide: ROOM }], size, color);
	}

	rule(thick = 0.4): void {
		const y = (HEIGHT - this.y - 0.8) * PT;
		this.page.drawLine({
			start: { x: SIDE * PT, y },
			end: { x: (WIDTH - SIDE) * PT, y },
			thickness: thick,
			color: GREY
		});
		this.y += 1.6;
	}

	gap(mm: number): void {
		this.y += mm;
	}

	/** Two lines beside each other, to be signed. */
	toSign(left: string, right: string): void {
		const y = (HEIGHT - this.y) * PT;
		const wide = ROOM / 2 - 4;
		[left, right].forEach((text, i) => {
			const from = (SIDE + i * (wide + 8)) * PT;
			const to = from + (wide - 4 * (1 - i)) * PT;
			this.page.drawLine({ start: { x: from, y }, end: { x: to, y }, thickness: 0.5, color: GREY });
			this.page.drawText(text, { x: from, y: y - 10, size: 8, font: this.fonts.plain, color: GREY });
		});
	}

	/** What it is and which page of how many, at the foot of each: when all of it is written. */
	number(title: string): void {
		const pages = this.doc.getPages();
		pages.forEach((page, i) =>
			page.drawText(`${title}, page ${i + 1} of ${pages.length}`, {
				x: SIDE * PT,
				y: 12 * PT,
				size: 8,
				font: this.fonts.plain,
				color: GREY
			})
		);
	}

	/** Pictures beside each other, each no higher than so many mm, with a line beneath; on the next page where there is no room. */
	pictures(pictures: readonly { image: PDFImage; caption: string }[], high: number, across: number): void {
		const gap = 4;
		const wide = (ROOM - gap * (across - 1)) / across;
		for (let i = 0; i < pictures.length; i += across) {
			const row = pictures.slice(i, i + across).map((p) => {
				const scale = Math.min((wide * PT) / p.image.width, (high * PT) / p.image.height);
				return {
					...p,
					size: p.image.scale(scale),
					lines: linesOf(p.caption, this.fonts.plain, 7.5, wide * PT).slice(0, 2)
				};
			});
			const tall = Math.max(...row.map((p) => p.size.height / PT));
			const words = 4 * Math.max(...row.map((p) => (p.caption ? p.lines.length : 0)));
			this.keep(tall + words + 3);
			row.forEach(({ image, size, caption, lines }, k) => {
				const x = (SIDE + k * (wide + gap)) * PT;
				this.page.drawImage(image, { x, y: (HEIGHT - this.y) * PT - size.height, ...size });
				if (caption)
					lines.forEach((text, n) =>
						this.page.drawText(text, {
							x,
							y: (HEIGHT - this.y - tall - 3.2 - 4 * n) * PT,
							size: 7.5,
							font: this.fonts.plain,
							color: GREY
						})
					);
			});
			this.y += tall + words + 3;
		}
	}
}
