<script lang="ts">
	/** A curved shape in patches: what there is to glue, how far each is pulled, the pieces to keep. */
	import pluralize from 'pluralize';
	import type { KeptForm } from '$core/facts/placement.ts';
	import { isBeyond } from '$core/trade/laidFlat.ts';
	import { numberedAlone } from '$core/engines/pattern/numbered.ts';
	import { formatLength } from '$core/units/measure.ts';
	import { formatPercent } from '$core/units/number.ts';
	import type { PatchesResult } from '../../../workers/protocol.ts';
	import StrainPieces from '../stand/StrainPieces.svelte';
	import Pieces from '../Pieces.svelte';
	import Sheet from '../Sheet.svelte';
	import KeepPieces from './KeepPieces.svelte';
	import type { BroughtTo } from './brought.ts';

	interface Props extends Pick<BroughtTo, 'name' | 'component' | 'workshop' | 'onDone'> {
		patches: PatchesResult;
		/** What the material takes, as a share. */
		limit: number;
		/** Its surface, to be put together again. */
		kept: KeptForm | null;
	}
	let { patches, limit, kept, name, component, workshop, onDone }: Props = $props();
	const length = (mm: number) => formatLength(mm, workshop.settings.lengthUnit);
	const numbered = $derived(numberedAlone(patches.pieces, component.code));
	const worst = $derived(Math.max(0, ...patches.strains.map((s) => s.max)));
	const seams = $derived(patches.seams.reduce((sum, s) => sum + s.length, 0));
</script>

<Sheet title={pluralize('piece', patches.pieces.length, true)}>
	<p>
		<b class="figure">{length(seams)}</b> of seams in {pluralize('seam', patches.seams.length, true)}; pulled {formatPercent(
			worst,
			1
		)} at most. Edges with the same number meet, notch on notch.
	</p>
	{#if isBeyond(worst, limit)}<p class="warn small">
			Some places are pulled farther than {formatPercent(limit)}: more heat, a softer material, or a size
			above which it is cut.
		</p>{/if}
	<Pieces pieces={numbered} label="Pieces laid flat" />
	<StrainPieces flat={patches} names={numbered.map((n) => n.code)} {limit} />
	<KeepPieces
		pieces={patches.pieces}
		origin="unfolded"
		{kept}
		{name}
		{component}
		materials={workshop.materials}
		{onDone}
	/>
</Sheet>

<style>
	.warn {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
		margin: 8px 0;
	}
</style>
