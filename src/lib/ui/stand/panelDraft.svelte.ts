import { measuredFor, measuresOf, skinFor, standBeneath } from '$core/answers/panelShape.ts';
import { presetFor } from '$core/answers/presetFor.ts';
import { standLines, type PanelScene, panelScene } from '$core/answers/panelScene.ts';
import type { Component } from '$core/facts/component.ts';
import type { Material } from '$core/facts/material.ts';
import { fittedOf, type MeasureRecord } from '$core/facts/measureRecord.ts';
import type { BodyPoint, PanelPlan } from '$core/facts/panelPlan.ts';
import type { Relief } from '$core/engines/panels/relief.ts';
import type { StoredShape } from '$core/facts/shape.ts';
import { PANEL_PRESETS, type PanelPresetKey } from '$core/engines/panels/presets.ts';
import { givesAt } from '$core/trade/laidFlat.ts';
import { formatLength, type LengthUnit, parseLength, parseSignedLength } from '$core/units/measure.ts';
import type { Point3 } from '$core/units/point.ts';
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
	/** Points of a panel that is being drawn; null when none is. */
	drawing = $state.raw<BodyPoint[] | null>(null);
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
	/** A point more of the panel that is being drawn: turns go on from the last one, the shorter way. */
	point(at: Point3): void {
		if (!this.drawing) return;
		const { level, turn } = this.#skin.pointAt(at);
		const last = this.drawing.at(-1)?.turn ?? turn;
		const near = turn + 360 * Math.round((last - turn) / 360);
		this.drawing = [
			...this.drawing,
			{ level: Math.round(level * 100) / 100, turn: Math.round(near * 2) / 2 }
		];
	}
	/** The panel that was drawn joins the others. */
	close(): void {
		if (!this.drawing || this.drawing.length < 3) return;
		const panel = {
			name: `panel ${this.plan.panels.length + 1}`,
			points: this.drawing.map((p) => ({ ...p, runs: 'shortest' as const }))
		};
		this.plan = { ...this.plan, panels: [...this.plan.panels, panel] };
		this.drawing = null;
		this.preset = '';
	}

	readonly scene: PanelScene = $derived.by(() => panelScene(this.stand, this.result, this.gives.share));
	readonly drawn: Point3[] = $derived.by(() => (this.drawing ? standLines(this.#skin, this.drawing) : []));

	stop(): void {
		this.task.stop();
		this.seeking.stop();
	}
}

const worker = () =>
	new Worker(new URL('../../../workers/panels.worker.ts', import.meta.url), { type: 'module' });
