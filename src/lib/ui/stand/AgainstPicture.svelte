<script lang="ts">
	/** A picture behind the wearer, scaled to them: what is made drawn over what the picture shows, and how much larger or smaller it is. */
	import { ALIKE, type Against, type Behind } from '$core/answers/againstPicture.ts';
	import { largerFigure } from '$core/explain/assembled.ts';
	import { svgPath } from '$core/formats/patternSvg.ts';
	import type { ReferencePicture } from '$core/facts/picture.ts';
	import type { Point } from '$core/units/point.ts';
	import { formatPercent } from '$core/units/number.ts';
	import Working from '../Working.svelte';

	interface Props {
		picture: ReferencePicture;
		behind: Behind;
		found: readonly Against[];
		/** The wearer and all that stands on them, seen as the picture is. */
		body: readonly Point[][];
		things: readonly Point[][];
	}
	let { picture, behind, found, body, things }: Props = $props();
	const paths = (outlines: readonly Point[][]) => outlines.map((o) => svgPath(o, true)).join('');
	/** The picture as it lies, by three of its corners; y is up. */
	const matrix = $derived.by(() => {
		const { width, height } = picture;
		const [o, x, y] = [behind.at([0, 0]), behind.at([width, 0]), behind.at([0, height])];
		return [
			(x[0] - o[0]) / width,
			(o[1] - x[1]) / width,
			(y[0] - o[0]) / height,
			(o[1] - y[1]) / height,
			o[0],
			-o[1]
		].join(' ');
	});
	const shown = $derived([...body, ...things].flat());
	const box = $derived({
		left: Math.min(...shown.map((p) => p[0])) - 60,
		right: Math.max(...shown.map((p) => p[0])) + 60,
		top: Math.max(...shown.map((p) => p[1])) + 60
	});
	const by = {
		height: 'The figure’s crown and soles lie on the wearer’s.',
		components:
			'It lies where its components stand: give it a scale by the figure’s height to lay it crown on crown.',
		middle: 'It stands on the ground, its middle line in the middle.'
	};
	const percent = (share: number, alike: string, more: string, less: string) =>
		Math.abs(share) < 0.005 ? `as ${alike}` : `${formatPercent(Math.abs(share))} ${share > 0 ? more : less}`;
	const sides = { none: '', left: ', left', right: ', right' };
</script>

<div class="beside">
	<svg
		viewBox="{box.left} {-box.top} {box.right - box.left} {box.top + 40}"
		role="img"
		aria-label="What is made over the picture, seen from the {picture.angle}"
	>
		<image
			href="/picture/{picture.hash}?side=1024"
			width={picture.width}
			height={picture.height}
			transform="matrix({matrix})"
			preserveAspectRatio="none"
		/>
		<path class="body" d={paths(body)} />
		<path class="things" d={paths(things)} />
		{#each found as { callout, picture: drawn, larger } (callout.id)}
			<path class="drawn" class:off={Math.abs(larger) > ALIKE} d={paths(drawn.outlines)} />
		{/each}
	</svg>
	<div>
		<p class="small soft">
			Filled: what is made. Dashed: the picture’s outlines. {by[behind.by]}
		</p>
		{#if found.length}
			<ul class="plain">
				{#each found as one (one.callout.id)}
					<li class:off={Math.abs(one.larger) > ALIKE}>
						<b>{one.component.code} {one.component.name}{sides[one.callout.side]}</b>
						<span>
							{#if Math.abs(one.larger) <= ALIKE}as in the picture, within
								<Working
									figure={largerFigure(one)}
									text={formatPercent(Math.abs(one.larger), 1)}
								/>{:else}<Working figure={largerFigure(one)} text={formatPercent(Math.abs(one.larger))} />
								{one.larger > 0 ? 'larger' : 'smaller'} than in the picture{/if}
						</span>
						<span class="small soft"
							>{percent(one.wider, 'wide', 'wider', 'narrower')}, {percent(
								one.higher,
								'high',
								'higher',
								'lower'
							)}{one.whole ? '' : '; only a part of it stands here'}</span
						>
					</li>
				{/each}
			</ul>
		{:else}
			<p class="soft">
				No component that stands here is outlined on this picture: outline it under Pictures, and it is
				compared.
			</p>
		{/if}
	</div>
</div>

<style>
	.beside {
		display: grid;
		grid-template-columns: minmax(0, 5fr) minmax(0, 6fr);
		gap: 16px;
		align-items: start;
	}
	@media (max-width: 900px) {
		.beside {
			grid-template-columns: minmax(0, 1fr);
		}
	}
	svg {
		display: block;
		width: 100%;
		max-height: 62vh;
		background: #fff;
		border: 1px solid var(--rule);
	}
	path {
		vector-effect: non-scaling-stroke;
	}
	.body {
		fill: none;
		stroke: #33504c;
		stroke-width: 1.5;
	}
	.things {
		fill: rgb(201 155 58 / 45%);
		stroke: #6b4a00;
		stroke-width: 1.5;
	}
	.drawn {
		fill: none;
		stroke: #111;
		stroke-width: 2;
		stroke-dasharray: 6 4;
	}
	.drawn.off {
		stroke: #a8201a;
	}
	ul {
		margin: 8px 0 0;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 12px;
		border-bottom: 1px solid var(--rule);
		padding: 6px 0 6px 8px;
	}
	li.off {
		border-left: 4px solid var(--red-ink);
	}
</style>
