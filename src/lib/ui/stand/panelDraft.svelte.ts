import { levelsAt, measuredFor, measuresOf, skinFor, standBeneath } from '$core/answers/panelShape.ts';
import { presetFor } from '$core/answers/presetFor.ts';
import { standLines, type PanelScene, panelScene } from '$core/answers/panelScene.ts';
import type { Component } from '$core/facts/component.ts';
import type { Material } from '$core/facts/material.ts';
import { fittedOf, type MeasureRecord } from '$core/facts/measureRecord.ts';
import {
	type BodyPoint,
	type Corners,
	MOST_DARTS,
	MOST_EASE,
	MOST_PANELS,
	type PanelPlan
} from '$core/facts/panelPlan.ts';
import type { Relief } from '$core/engines/panels/relief.ts';
import type { StoredShape } from '$core/facts/shape.ts';
import { type DrawnRun, drawnOn, withCornerAt, withDart, withPanel } from '$core/engines/panels/drawn.ts';
import { PANEL_PRESETS, type PanelPresetKey } from '$core/engines/panels/presets.ts';
import { givesAt } from '$core/trade/laidFlat.ts';
import { formatLength, type LengthUnit, parseLength, parseSignedLength } from '$core/units/measure.ts';
import type { Point3 } from '$core/units/point.ts';
import { say } from '$core/units/problem.ts';
import type { PanelsResult } from '../../../workers/protocol.ts';
import { Task } from '../task.svelte.ts';

interface Around {
	component: () => Component;
	components: () => readonly Component[];
	fit: () => MeasureRecord;
	materials: () => readonly Material[];
	unit: LengthUnit;
	shape: StoredShape | undefined;
	materialId: number | '';
}

/** Panels as they are being drawn, and what they come to: laid flat in a worker whenever something is changed. */
export class PanelDraft {
	readonly #around: Around;
	plan = $state.raw<PanelPlan>() as PanelPlan;
	preset = $state<PanelPresetKey | ''>('');
	ease = $state('');
	thickness = $state('');
	/** How the material is worked: a place in the list of ways. */
	how = $state<string | number>(0);
	materialId = $state<string | number>('');
	/** What is being drawn, a panel or a dart, and its corners so far; null when nothing is. */
	drawing = $state.raw<{ what: 'panel' | 'dart'; corners: Corners } | null>(null);
	/** How its next line runs. */
	run = $state<DrawnRun>('shortest');
	/** Its mirror image is drawn too. */
	both = $state(false);
	/** Why what was drawn came to nothing. */
	refused = $state('');
	/** What is typed as the ease of a level. */
	eases = $state<Record<number, string>>({});
	result = $state.raw<PanelsResult | null>(null);
	readonly task = new Task<'panels'>();
	readonly seeking = new Task<'panels'>();

	constructor(around: Around) {
		this.#around = around;
		const { shape, unit } = around;
		const key = presetFor(around.component());
		const value = (name: string, usual: number) => {
			const stored = shape?.values[name];
			return formatLength(typeof stored === 'number' ? stored : usual, unit);
		};
		this.preset = shape ? '' : key;
		this.plan = shape?.panels ?? PANEL_PRESETS[key].plan;
		this.ease = value('ease', PANEL_PRESETS[key].ease);
		this.thickness = value('thickness', around.component().thicknessMm ?? 6);
		this.materialId = around.materialId;
		this.eases = Object.fromEntries(this.plan.ease.map((e) => [e.level, formatLength(e.mm, unit)]));
		this.how = typeof shape?.values['gives'] === 'number' ? shape.values['gives'] : 0;
	}

	readonly material = $derived.by(
		() => this.#around.materials().find((m) => m.id === Number(this.materialId)) ?? null
	);
	readonly gives = $derived(givesAt(Number(this.how), this.material));
	readonly easeRead = $derived.by(() => parseSignedLength(this.ease, this.#around.unit));
	readonly thicknessRead = $derived.by(() => parseLength(this.thickness, this.#around.unit));
	/** Lengths last read whole: what is being typed moves nothing yet. */
	readonly values = $derived.by(() => ({
		ease: this.easeRead.ok ? this.easeRead.value : 0,
		thickness: this.material?.thicknessMm ?? (this.thicknessRead.ok ? this.thicknessRead.value : 0),
		gives: Number(this.how)
	}));
	readonly #worn = $derived.by(() => ({
		component: this.#around.component(),
		components: this.#around.components(),
		wearers: fittedOf(this.#around.fit())
	}));
	readonly measured = $derived.by(() => measuredFor(this.#worn));
	readonly stand = $derived.by(() => standBeneath(this.#worn));
	/** No girth of the limb that they are on is measured: it is made by proportion alone. */
	readonly unmeasured = $derived.by(() => {
		const limb = this.stand.limbs.find((l) => l.name === this.plan.limb)!;
		return limb.sections.filter((s) => s.level.measure && s.guessed).map((s) => s.level.name);
	});

	readonly #request = $derived.by(() => ({
		kind: 'panels' as const,
		measures: measuresOf(this.measured),
		sections: this.#worn.wearers[0]?.sections ?? {},
		plan: this.plan,
		side: this.#around.component().side,
		values: this.values,
		limit: this.gives.share,
		seek: false
	}));
	/** What is shown is of what stands in the fields. */
	#of = $state.raw<unknown>(null);
	readonly current = $derived.by(() => this.#of === this.#request);

	async lay(): Promise<void> {
		const request = this.#request;
		const done = await this.task.start(worker, async () => request);
		if (!done) return;
		this.result = done;
		this.#of = request;
	}
	/** Looks for the dart, gusset and seam that take most from the panel that is pulled most. */
	async seek(): Promise<void> {
		const request = { ...this.#request, seek: true };
		const done = await this.seeking.start(worker, async () => request);
		if (done && this.current) this.result = done;
	}

	choose(key: PanelPresetKey): void {
		this.preset = key;
		this.plan = PANEL_PRESETS[key].plan;
		this.ease = formatLength(PANEL_PRESETS[key].ease, this.#around.unit);
		this.eases = {};
		this.drawing = null;
	}
	take({ plan }: Relief): void {
		this.plan = plan;
		this.preset = '';
	}
	dropDart(index: number): void {
		this.plan = { ...this.plan, darts: this.plan.darts.filter((_, i) => i !== index) };
	}
	dropPanel(index: number): void {
		this.plan = {
			...this.plan,
			panels: this.plan.panels.filter((_, i) => i !== index),
			darts: this.plan.darts
				.filter((d) => d.panel !== index)
				.map((d) => ({ ...d, panel: d.panel > index ? d.panel - 1 : d.panel }))
		};
	}

	get #skin() {
		return skinFor(this.stand, this.plan, this.#around.component().side, this.values);
	}
	/** Measured levels that the panels lie at. */
	readonly levels = $derived.by(() => levelsAt(this.stand, this.plan));
	/** Why what is typed as the ease of a level is none. */
	easeWrong(level: number): string {
		const text = this.eases[level] ?? '';
		if (!text.trim()) return '';
		const read = parseSignedLength(text, this.#around.unit);
		if (!read.ok) return say(read.problem);
		return Math.abs(read.value) <= MOST_EASE
			? ''
			: `At most ${formatLength(MOST_EASE, this.#around.unit)} either way.`;
	}
	setEase(level: number, text: string): void {
		this.eases[level] = text;
		if (this.easeWrong(level)) return;
		const read = parseSignedLength(text, this.#around.unit);
		const others = this.plan.ease.filter((e) => e.level !== level);
		this.plan = { ...this.plan, ease: read.ok ? [...others, { level, mm: read.value }] : others };
	}

	draw(what: 'panel' | 'dart'): void {
		this.drawing = { what, corners: [] };
		this.refused = '';
	}
	/** A corner more of what is being drawn; a dart has two. */
	point(at: Point3): void {
		if (!this.drawing) return;
		const { what, corners } = this.drawing;
		const skin = this.#skin;
		const place = skin.pointAt(at);
		const more = drawnOn(corners, place, what === 'panel' ? this.run : 'shortest');
		this.drawing = { what, corners: more };
		if (what === 'panel' || more.length < 2) return;
		this.#add(withDart(skin, this.plan, more[0]!, more[1]!), 'A dart ends within a panel: nothing was cut.');
	}
	back(): void {
		if (this.drawing) this.drawing = { ...this.drawing, corners: this.drawing.corners.slice(0, -1) };
	}
	/** The panel that was drawn joins the others. */
	close(): void {
		if (!this.drawing || this.drawing.corners.length < 3) return;
		this.#add(
			withPanel(this.plan, this.drawing.corners, this.both && this.plan.limb === 'trunk'),
			'It lies on both sides of the middle: only what lies beside it is mirrored.'
		);
	}
	#add(plan: PanelPlan | null, otherwise: string): void {
		if (plan && plan.panels.length <= MOST_PANELS && plan.darts.length <= MOST_DARTS) {
			this.plan = plan;
			this.preset = '';
			this.drawing = null;
			this.refused = '';
		} else {
			this.refused = plan ? `At most ${MOST_PANELS} panels and ${MOST_DARTS} darts go together.` : otherwise;
			if (this.drawing?.what === 'dart') this.drawing = { what: 'dart', corners: [] };
		}
	}
	moveCorner(panel: number, corner: number, to: BodyPoint): void {
		this.plan = withCornerAt(this.plan, panel, corner, to);
		this.preset = '';
	}
	/** How the edge after a corner runs, and by what share it is eased in. */
	sayEdge(panel: number, corner: number, said: Pick<Partial<Corners[number]>, 'runs' | 'eases'>): void {
		this.plan = {
			...this.plan,
			panels: this.plan.panels.map((p, i) =>
				i === panel ? { ...p, points: p.points.map((q, k) => (k === corner ? { ...q, ...said } : q)) } : p
			)
		};
		this.preset = '';
	}

	readonly scene: PanelScene = $derived.by(() => panelScene(this.stand, this.result, this.gives.share));
	readonly drawn: Point3[] = $derived.by(() =>
		this.drawing ? standLines(this.#skin, this.drawing.corners) : []
	);

	stop(): void {
		this.task.stop();
		this.seeking.stop();
	}
}

const worker = () =>
	new Worker(new URL('../../../workers/panels.worker.ts', import.meta.url), { type: 'module' });
