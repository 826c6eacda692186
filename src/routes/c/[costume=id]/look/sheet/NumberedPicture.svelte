<script lang="ts">
	/** A picture with its callouts, numbered as the table beside it is. */
	import { anchorOf } from '$core/answers/callouts.ts';
	import type { Callout, ReferencePicture } from '$core/facts/picture.ts';

	interface Props {
		picture: ReferencePicture;
		callouts: readonly Callout[];
		/** By component. */
		numbers: ReadonlyMap<number, number>;
	}
	let { picture, callouts, numbers }: Props = $props();
	/** A dot is so large that its number can be read on the printed page. */
	const dot = $derived(Math.max(picture.width, picture.height) / 46);
	const said = $derived(
		[
			picture.title || `Picture, ${picture.angle}`,
			picture.design === 'own' ? 'own design' : 'faithful',
			picture.sourceNote
		]
			.filter(Boolean)
			.join(' · ')
	);
</script>

<figure>
	<svg
		viewBox="0 0 {picture.width} {picture.height}"
		role="img"
		aria-label="{picture.title}, with numbered callouts"
	>
		<image href="/picture/{picture.hash}?side=2048" width={picture.width} height={picture.height} />
		{#each callouts as c (c.id)}
			{@const [x, y] = anchorOf(c.points)}
			{#if c.shape === 'outline'}
				{@const line = `M${c.points.map((p) => p.join(' ')).join('L')}Z`}
				<path d={line} fill="none" stroke="#fff" stroke-width={dot / 3} />
				<path d={line} fill="none" stroke="#000" stroke-width={dot / 8} />
			{/if}
			<circle cx={x} cy={y} r={dot} fill="#fff" stroke="#000" stroke-width={dot / 8} />
			<text {x} y={y + dot * 0.42} font-size={dot * 1.2} text-anchor="middle"
				>{numbers.get(c.componentId!)}</text
			>
		{/each}
	</svg>
	<figcaption class="small">{said}</figcaption>
</figure>

<style>
	figure {
		margin: 0;
	}
	svg {
		width: 100%;
		max-height: 78vh;
		border: 1px solid var(--rule);
		background: #fff;
	}
	text {
		font-family: var(--mono);
		font-weight: 600;
		fill: #000;
	}
	@media print {
		svg {
			max-height: 165mm;
		}
		/* Both on one page. */
		figure:has(+ :global(.worn)) svg {
			max-height: 108mm;
		}
	}
</style>
