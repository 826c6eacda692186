<script lang="ts">
	/** The mark of a material family: a swatch of its weave. */
	import type { Weave } from '$core/trade/weave.ts';

	interface Props {
		weave: Weave;
		size?: number;
	}
	let { weave, size = 16 }: Props = $props();
	const words: Record<Weave, string> = {
		dots: 'foam',
		twill: 'cloth',
		waves: 'hair',
		crosshatch: 'hard',
		rings: 'closure',
		rays: 'light',
		strokes: 'paint',
		plain: 'other'
	};
</script>

<svg width={size} height={size} viewBox="0 0 16 16" role="img" aria-label={words[weave]}>
	<title>{words[weave]}</title>
	<rect x="0.5" y="0.5" width="15" height="15" class="ground" />
	{#if weave === 'dots'}
		{#each [4, 8, 12] as y (y)}{#each [4, 8, 12] as x (x)}<circle
					cx={x}
					cy={y}
					r="1.1"
					class="solid"
				/>{/each}{/each}
	{:else if weave === 'twill'}
		<path d="M1 6 6 1M1 11 11 1M2 15 15 2M6 15 15 6M11 15 15 11" class="line" />
	{:else if weave === 'waves'}
		<path
			d="M1 5q2-3 3.5 0t3.5 0t3.5 0t3.5 0M1 9q2-3 3.5 0t3.5 0t3.5 0t3.5 0M1 13q2-3 3.5 0t3.5 0t3.5 0t3.5 0"
			class="line"
		/>
	{:else if weave === 'crosshatch'}
		<path
			d="M1 6 6 1M1 11 11 1M2 15 15 2M6 15 15 6M11 15 15 11M10 1l5 5M5 1l10 10M1 2l13 13M1 6l9 9M1 11l4 4"
			class="line thin"
		/>
	{:else if weave === 'rings'}
		<circle cx="8" cy="8" r="5" class="line" /><circle cx="8" cy="8" r="2" class="line" />
	{:else if weave === 'rays'}
		<path d="M8 2v12M2 8h12M4 4l8 8M12 4l-8 8" class="line" />
	{:else if weave === 'strokes'}
		<path d="M2 4h8M5 8h9M2 12h7" class="line thick" />
	{:else}
		<path d="M3 8h10" class="line" />
	{/if}
</svg>

<style>
	svg {
		flex: none;
		vertical-align: -3px;
	}
	.ground {
		fill: var(--sheet);
		stroke: var(--ink);
	}
	.solid {
		fill: var(--ink);
	}
	.line {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.2;
	}
	.thin {
		stroke-width: 0.8;
	}
	.thick {
		stroke-width: 2.2;
	}
</style>
