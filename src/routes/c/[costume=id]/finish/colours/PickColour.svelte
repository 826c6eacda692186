<script lang="ts">
	/** A patch on a reference picture, measured; a neutral takes the picture's own tint out of it. */
	import { hexOf, formatLab } from '$core/engines/colour/lab.ts';
	import { measurePatch, type Patch } from '$core/engines/colour/patch.ts';
	import type { Point } from '$core/units/point.ts';
	import { say } from '$core/units/problem.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Form from '$lib/ui/Form.svelte';
	import Notice from '$lib/ui/Notice.svelte';
	import PictureView from '$lib/ui/PictureView.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import { fetched } from '$lib/ui/task.svelte.ts';
	import ColourFields from './ColourFields.svelte';
	import type { PageData } from './$types';

	let { data }: { data: Pick<PageData, 'record' | 'pictures'> } = $props();
	const pictures = $derived(data.pictures.filter((p) => p.purpose === 'look'));
	let chosen = $state<number | null>(null);
	const picture = $derived(pictures.find((p) => p.id === chosen) ?? pictures[0]);
	let radius = $state(8);
	let centre = $state.raw<Point | null>(null);
	let neutral = $state.raw<Point | null>(null);
	/** What the next click picks. */
	let picks = $state<'patch' | 'neutral'>('patch');
	let pixels = $state.raw<{ hash: string; image: ImageData } | null>(null);
	let trouble = $state('');
	let kept = $state(0);
	/** Another colour was typed over the one that was picked. */
	let typed = $state(false);

	/** Decoded once, when a patch is first picked on it. */
	async function load(hash: string) {
		if (pixels?.hash === hash) return;
		try {
			const response = await fetched(`/picture/${hash}`, new AbortController().signal);
			const bitmap = await createImageBitmap(await response.blob());
			const canvas = document.createElement('canvas');
			[canvas.width, canvas.height] = [bitmap.width, bitmap.height];
			const context = canvas.getContext('2d', { willReadFrequently: true })!;
			context.drawImage(bitmap, 0, 0);
			pixels = { hash, image: context.getImageData(0, 0, bitmap.width, bitmap.height) };
		} catch {
			trouble = 'The picture could not be read here.';
		}
	}
	async function pick(point: Point) {
		if (!picture) return;
		trouble = '';
		await load(picture.hash);
		if (picks === 'neutral') {
			neutral = point;
			picks = 'patch';
		} else [centre, typed] = [point, false];
	}
	const measured = $derived(
		centre && picture && pixels?.hash === picture.hash
			? measurePatch(pixels.image, centre, radius, neutral)
			: null
	);
	const patch: Patch | null = $derived(measured?.ok ? measured.value : null);
	const words = $derived(measured && !measured.ok ? say(measured.problem) : trouble);
	const sent = $derived(
		patch && picture && !typed
			? JSON.stringify({ pictureId: picture.id, centre, radius, neutral, spread: patch.spread })
			: 'null'
	);
	const overType = ({ target }: Event) => {
		const { name, type } = target as HTMLInputElement;
		if (name === 'lab' || type === 'color') typed = true;
	};
	function anew() {
		[centre, neutral, picks, typed] = [null, null, 'patch', false];
	}
</script>

<Sheet title="Add a colour">
	<div class="pick">
		{#if picture}
			<div class="left">
				<div class="tools">
					{#if pictures.length > 1}<select
							aria-label="Picture"
							bind:value={() => String(picture.id), (id) => ((chosen = Number(id)), anew())}
						>
							{#each pictures as p (p.id)}<option value={String(p.id)}>{p.title}</option>{/each}
						</select>{/if}
					<label
						>Patch <input
							type="range"
							min="1"
							max="60"
							bind:value={radius}
							aria-label="Size of the patch"
						/></label
					>
					<button
						type="button"
						class="button small"
						aria-pressed={picks === 'neutral'}
						onclick={() => (picks = picks === 'neutral' ? 'patch' : 'neutral')}>Pick a neutral</button
					>
					{#if neutral}<button type="button" class="button small quiet" onclick={() => (neutral = null)}
							>Without the neutral</button
						>{/if}
				</div>
				{#key picture.id}
					<PictureView
						{picture}
						label="{picture.title}, pick a colour"
						onpoint={pick}
						height="min(52vh, 460px)"
					>
						{#snippet over(onto)}
							{#if centre}{@const at = onto(centre)}<circle
									cx={at[0]}
									cy={at[1]}
									r={Math.max(3, radius * onto.scale)}
									class="patch"
								/>{/if}
							{#if neutral}{@const at = onto(neutral)}<circle
									cx={at[0]}
									cy={at[1]}
									r={Math.max(3, radius * onto.scale)}
									class="neutral"
								/>{/if}
						{/snippet}
					</PictureView>
				{/key}
				<p class="small soft" role="status">
					{#if picks === 'neutral'}Click what is grey or white in truth.
					{:else if neutral}The picture’s own tint is taken out by the neutral.
					{:else}Click the middle of a patch. Without a neutral the picture’s own tint counts as colour.{/if}
				</p>
			</div>
		{/if}
		<div class="right">
			{#if words}<Notice bad>{words}</Notice>{/if}
			{#if patch}
				<div class="measured">
					<span class="block" style:background={hexOf(patch.lab)}></span>
					<p>
						<b class="figure">{formatLab(patch.lab).replaceAll('-', '−')}</b><br />
						<span class="small soft"
							>mean of {patch.pixels} pixels, which stray by {formatNumber(
								patch.spread,
								1
							)}{#if patch.spread > 5}: a shadow, a shine or two colours lie in it{/if}</span
						>
						{#if patch.clipped > 0.2}<br /><span class="small warn"
								>Much of it is burnt out or black: the camera did not see its colour.</span
							>{/if}
					</p>
				</div>
			{/if}
			{#key kept}
				<Form command="addColour" label="New colour" onDone={() => ((kept += 1), anew())}>
					<input type="hidden" name="picked" value={sent} />
					<div oninput={overType}>
						<ColourFields lab={patch?.lab ?? null} components={data.record.components} />
					</div>
					<Submit>Add it</Submit>
				</Form>
			{/key}
		</div>
	</div>
</Sheet>

<style>
	.pick {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(100%, 340px), 1fr));
		gap: 16px;
	}
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 14px;
		align-items: center;
		margin-bottom: 8px;
	}
	.tools label {
		display: inline-flex;
		align-items: center;
		gap: 6px;
	}
	.patch,
	.neutral {
		fill: none;
		stroke: #fff;
		stroke-width: 2;
		paint-order: stroke;
		filter: drop-shadow(0 0 1px #000) drop-shadow(0 0 1px #000);
	}
	.neutral {
		stroke-dasharray: 4 3;
	}
	.measured {
		display: flex;
		gap: 12px;
		align-items: center;
		margin-bottom: 12px;
	}
	.block {
		width: 72px;
		height: 56px;
		border: 1px solid var(--ink-soft);
		flex: none;
	}
	.warn {
		color: var(--yellow-ink);
		font-weight: 600;
	}
</style>
