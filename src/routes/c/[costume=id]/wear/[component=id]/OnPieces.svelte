<script lang="ts">
	/** Where fasteners go on the flat pieces: tapped on a piece, drawn on its pattern. */
	import { svgPath } from '$core/formats/patternSvg.ts';
	import { fastenerWords } from '$core/answers/joins.ts';
	import { fastenerOutlines } from '$core/engines/pattern/operations.ts';
	import { boxOf, flatten } from '$core/engines/pattern/outline.ts';
	import type { Piece } from '$core/facts/piece.ts';
	import type { Join } from '$core/facts/wear.ts';
	import { formatLength, parseLength, type LengthUnit } from '$core/units/measure.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';

	interface Props {
		code: string;
		pieces: readonly { key: string; code: string; piece: Piece }[];
		joins: readonly Join[];
		base: string;
		unit: LengthUnit;
	}
	let { code, pieces, joins, base, unit }: Props = $props();
	const trade = handbook();
	// svelte-ignore state_referenced_locally
	let joinId = $state<string | number | null>(String(joins[0]?.id ?? ''));
	// svelte-ignore state_referenced_locally
	let chosen = $state<string | number | null>(pieces[0]?.key ?? '');
	let left = $state<string | number | null>('');
	let bottom = $state<string | number | null>('');
	let degrees = $state<string | number | null>('0');
	const join = $derived(joins.find((j) => String(j.id) === String(joinId)));
	const mm = (text: unknown) => {
		const read = parseLength(String(text), unit);
		return read.ok ? read.value : null;
	};
	const drawn = $derived(
		pieces.map(({ key, code, piece }) => {
			const points = flatten(piece.outline).points;
			const box = boxOf(points);
			const [x, y] = [mm(left), mm(bottom)];
			const turn = Number(degrees);
			const isHere = join && key === chosen && x !== null && y !== null && Number.isFinite(turn);
			return {
				key,
				code,
				piece,
				points,
				box,
				wide: box.right - box.left,
				high: box.top - box.bottom,
				places: isHere
					? fastenerOutlines([box.left + x, box.bottom + y], {
							wide: join.widthMm,
							long: join.lengthMm,
							count: join.count,
							degrees: turn
						})
					: []
			};
		})
	);
	/** All of them at one scale, as far as they can be seen. */
	const largest = $derived(Math.max(...drawn.map((d) => Math.max(d.wide, d.high))));
	function tap(event: MouseEvent, key: string, box: { left: number; bottom: number }) {
		const svg = event.currentTarget as SVGSVGElement;
		const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse());
		chosen = key;
		left = formatLength(Math.round(at.x - box.left), unit);
		bottom = formatLength(Math.round(-at.y - box.bottom), unit);
	}
</script>

<Sheet title="On its flat pieces">
	<p class="small soft">
		Tap where the middle goes: its outline is drawn on the <a href="{base}/pattern">printed pattern</a>, and
		taken out there again.
	</p>
	<div class="both">
		<div class="pieces">
			{#each drawn as d (d.key)}
				<figure>
					<!-- The fields beneath do the same by keyboard. -->
					<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_noninteractive_element_interactions -->
					<svg
						viewBox="{d.box.left - 4} {-d.box.top - 4} {d.wide + 8} {d.high + 8}"
						style:width="{Math.max(24, (100 * d.wide) / largest)}%"
						role="img"
						aria-label="Piece {d.code}, {d.piece.name}"
						onclick={(event) => tap(event, d.key, d.box)}
					>
						<path
							class="piece"
							class:chosen={d.key === chosen}
							d={svgPath(d.points)}
							vector-effect="non-scaling-stroke"
						/>
						{#each d.piece.holes as hole, i (i)}<path
								class="hole"
								d={svgPath(flatten(hole).points)}
								vector-effect="non-scaling-stroke"
							/>{/each}
						{#each d.piece.lines as line, i (i)}<path
								class="line"
								d={svgPath(line.points, false)}
								vector-effect="non-scaling-stroke"
							/>{/each}
						{#each d.places as place, i (i)}<path
								class="place"
								d={svgPath(place)}
								vector-effect="non-scaling-stroke"
							/>{/each}
					</svg>
					<figcaption class="small">{d.code} <span class="soft">{d.piece.name}</span></figcaption>
				</figure>
			{/each}
		</div>
		<Form command="drawOnPiece" label="On a piece of {code}" class="no-print">
			<div class="fields">
				<Field
					name="joinId"
					label="Join"
					options={joins.map((j, i) => ({
						value: String(j.id),
						label: `${i + 1}: ${fastenerWords(j, trade)}`
					}))}
					bind:value={joinId}
				/>
				<Field
					name="piece"
					label="Piece"
					options={pieces.map((p) => ({ value: p.key, label: `${p.code} ${p.piece.name}` }))}
					bind:value={chosen}
				/>
				<Field name="left" label="From the left" bind:value={left} inputmode="decimal" />
				<Field name="bottom" label="From the bottom" bind:value={bottom} inputmode="decimal" />
				<Field name="degrees" label="Turned" bind:value={degrees} inputmode="text" suffix="°" />
			</div>
			<Submit>Draw it on the piece</Submit>
		</Form>
	</div>
</Sheet>

<style>
	.both {
		display: grid;
		grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
		gap: 24px;
	}
	@media (max-width: 800px) {
		.both {
			grid-template-columns: minmax(0, 1fr);
		}
	}
	.pieces {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 220px), 1fr));
		gap: 16px;
		align-items: end;
		margin: 8px 0 12px;
	}
	figure {
		margin: 0;
		min-width: 0;
	}
	svg {
		display: block;
		max-height: 320px;
		cursor: crosshair;
	}
	.piece {
		fill: #ecdcb9;
		stroke: var(--ink-soft);
		stroke-width: 1.2;
	}
	.piece.chosen {
		stroke: var(--ink);
		stroke-width: 2.4;
	}
	.hole {
		fill: var(--sheet);
		stroke: var(--ink-soft);
	}
	.line {
		fill: none;
		stroke: var(--ink);
		stroke-dasharray: 3 3;
	}
	.place {
		fill: var(--yellow);
		fill-opacity: 0.6;
		stroke: var(--ink);
		stroke-width: 2;
	}
</style>
