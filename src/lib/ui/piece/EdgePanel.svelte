<script lang="ts">
	/** Chosen edges: allowance, bevel, notch, fold, what they are joined to; drawn by hand also their line. */
	import { sayOf } from '$core/units/problem.ts';
	import { CORNERS, type Corner } from '$core/facts/piece.ts';
	import { bendEdge, directionOf, insertPoint, riseOf, setEdge } from '$core/engines/pattern/edit.ts';
	import { edgeLength, edgesOf } from '$core/engines/pattern/outline.ts';
	import type { Edge, Piece } from '$core/facts/piece.ts';
	import type { NumberedPiece } from '$core/engines/pattern/numbered.ts';
	import type { PieceOperation } from '$core/facts/pieceOperation.ts';
	import Sheet from '../Sheet.svelte';
	import TypedField from './TypedField.svelte';
	import type { Typed } from './typed.svelte.ts';

	interface Props {
		piece: Piece;
		index: number;
		pieces: readonly NumberedPiece[];
		/** At least one. */
		chosen: readonly number[];
		drawn: boolean;
		typed: Typed;
		onwork: (work: PieceOperation) => void;
		ondraw: (piece: Piece) => void;
	}
	let { piece, index, pieces, chosen, drawn, typed, onwork, ondraw }: Props = $props();

	const USUAL_ALLOWANCE = 10;
	const CORNER_WORDS = { miter: 'mitred', round: 'round', bevel: 'cut off' };
	const KIND_WORDS = { line: 'straight', arc: 'arc', cubic: 'curve' };
	const all = $derived(edgesOf(piece.outline));
	const first = $derived(all[chosen[0]!]!);
	/** The only one, for what is done to one edge alone. */
	const edge = $derived(chosen.length === 1 ? chosen[0]! : null);
	const long = $derived(edgeLength(first.from, first.edge));
	const direction = $derived(Math.round(directionOf(first.from, first.edge) * 100) / 100);
	const allowance = $derived(first.edge.allowance ?? USUAL_ALLOWANCE);
	const rise = $derived(riseOf(first.from, first.edge) || USUAL_ALLOWANCE);

	let corner = $state<Corner>('miter');
	function allow(edges: number[]) {
		const mm = typed.length('allowance', allowance);
		if (mm === null) return;
		if (mm < 0 || mm > 200) return typed.refuse('allowance', sayOf('allowanceTooLarge'));
		onwork({ kind: 'allowance', piece: index, edges, mm, corner });
	}
	function bevel() {
		const degrees = typed.number('bevel', first.edge.bevel ?? 0);
		if (degrees === null) return;
		if (Math.abs(degrees) > 80) return typed.refuse('bevel', 'Between −80 and 80 degrees.');
		onwork({ kind: 'bevel', piece: index, edges: [...chosen], degrees });
	}
	function notch() {
		const along = typed.length('along', long / 2);
		const pair = (typed.texts.pair ?? 'A').trim();
		if (along === null || edge === null) return;
		if (along < 0 || along > long) return typed.refuse('along', sayOf('notchOffEdge'));
		if (!pair || pair.length > 20) return typed.refuse('pair', 'A letter or a number.');
		onwork({ kind: 'notch', piece: index, edge, at: along / long, pair });
	}

	const partners = $derived(
		edge === null
			? []
			: pieces.flatMap((p, other) =>
					other === index
						? []
						: edgesOf(p.piece.outline).flatMap((o, i) =>
								Math.abs(edgeLength(o.from, o.edge) - long) < 0.5
									? [{ value: `${other} ${i}`, label: `${p.piece.name}, edge ${i + 1}` }]
									: []
							)
				)
	);
	let picked = $state('');
	const joinTo = $derived(partners.find((p) => p.value === picked)?.value ?? partners[0]?.value ?? '');
	function join() {
		const [other, otherEdge] = joinTo.split(' ').map(Number);
		if (edge !== null && other !== undefined && otherEdge !== undefined)
			onwork({ kind: 'join', piece: index, edge, other, otherEdge });
	}

	function straight() {
		const [mm, degrees] = [typed.length('long', long), typed.number('angle', direction)];
		if (mm === null || degrees === null || edge === null) return;
		if (mm <= 0) return typed.refuse('long', 'Must be more than nothing.');
		ondraw({ ...piece, outline: setEdge(piece.outline, edge, mm, degrees) });
	}
	function bend(kind: Edge['kind']) {
		const mm = kind === 'line' ? 0 : typed.length('rise', rise);
		if (mm !== null && edge !== null) ondraw({ ...piece, outline: bendEdge(piece.outline, edge, kind, mm) });
	}
</script>

<Sheet title={edge === null ? `${chosen.length} edges` : `Edge ${edge + 1}`} level={3}>
	{#if edge !== null}
		<p>
			<b class="figure">{typed.words(long)}</b>
			{KIND_WORDS[first.edge.kind]}{first.edge.seam ? ', joined to another edge' : ''}{edge === piece.foldEdge
				? ', on the fold'
				: ''}
		</p>
	{/if}
	<div class="pairs">
		<TypedField
			{typed}
			name="allowance"
			label="Allowance"
			standing={typed.words(allowance)}
			onenter={() => allow([...chosen])}
		/>
		<label
			><span>Corners</span><select bind:value={corner}
				>{#each CORNERS as c (c)}<option value={c}>{CORNER_WORDS[c]}</option>{/each}</select
			></label
		>
	</div>
	<p class="row">
		<button class="button small main" onclick={() => allow([...chosen])}
			>Add to {edge === null ? 'these edges' : 'this edge'}</button
		>
		<button class="button small" onclick={() => allow([])}>Add all round</button>
	</p>
	<div class="pairs">
		<TypedField
			{typed}
			name="bevel"
			label="Bevel, degrees off square"
			standing={String(first.edge.bevel ?? 0)}
			onenter={bevel}
		/>
		<button class="button small" onclick={bevel}>Bevel</button>
	</div>
	{#if edge !== null}
		<div class="pairs three">
			<TypedField
				{typed}
				name="along"
				label="Notch, along"
				standing={typed.words(long / 2)}
				onenter={notch}
			/>
			<TypedField {typed} name="pair" label="Meets notch" standing="A" onenter={notch} />
			<button class="button small" onclick={notch}>Notch</button>
		</div>
		{#if partners.length}
			<div class="pairs">
				<label
					><span>Join to</span><select value={joinTo} onchange={(e) => (picked = e.currentTarget.value)}
						>{#each partners as p (p.value)}<option value={p.value}>{p.label}</option>{/each}</select
					></label
				>
				<button class="button small" onclick={join}>Join</button>
			</div>
		{/if}
		{#if first.edge.kind === 'line'}
			<p class="row">
				<button class="button small" onclick={() => onwork({ kind: 'fold', piece: index, edge: edge! })}
					>Lay on the fold</button
				>
				<button class="button small" onclick={() => onwork({ kind: 'unfold', piece: index, edge: edge! })}
					>Mirror over it</button
				>
			</p>
		{/if}
		{#if drawn}
			<hr />
			{#if first.edge.kind === 'line'}
				<div class="pairs three">
					<TypedField {typed} name="long" label="Length" standing={typed.words(long)} onenter={straight} />
					<TypedField
						{typed}
						name="angle"
						label="Direction, °"
						standing={String(direction)}
						onenter={straight}
					/>
					<button class="button small" onclick={straight}>Set</button>
				</div>
			{/if}
			<div class="pairs three">
				<TypedField {typed} name="rise" label="Rises by" standing={typed.words(rise)} />
				<button class="button small" onclick={() => bend('arc')}>Arc</button>
				<button class="button small" onclick={() => bend('cubic')}>Curve</button>
			</div>
			<p class="row">
				{#if first.edge.kind !== 'line'}<button class="button small" onclick={() => bend('line')}
						>Straight</button
					>{/if}
				<button class="button small" onclick={() => ondraw(insertPoint(piece, edge!))}
					>Point in its middle</button
				>
			</p>
		{/if}
	{/if}
</Sheet>

<style>
	.pairs.three {
		grid-template-columns: 1fr 1fr auto;
	}
	label {
		display: grid;
		gap: 2px;
		font-size: var(--s13);
		min-width: 0;
	}
	label span {
		font-weight: 600;
	}
	.row {
		margin: 10px 0 0;
	}
	hr {
		border: 0;
		border-top: 1px solid var(--rule);
		margin: 14px 0 4px;
	}
</style>
