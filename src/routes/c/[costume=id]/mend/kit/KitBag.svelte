<script lang="ts">
	/** What it weighs and the room that it takes, thing by thing, against what it may. */
	import type { KitChoice } from '$core/answers/kitChoice.ts';
	import type { KeptKitLimit } from '$core/facts/health.ts';
	import { formatNumber } from '$core/units/number.ts';

	let { choice, limit }: { choice: KitChoice; limit: KeptKitLimit | null } = $props();
	const goes = $derived(choice.lines.filter((l) => l.taken));
	const scales = $derived(
		[
			{ size: 'grams' as const, unit: 'g', most: limit?.grams ?? null },
			{ size: 'ml' as const, unit: 'ml', most: limit?.ml ?? null }
		].map((s) => ({ ...s, sum: choice[s.size], wide: Math.max(choice[s.size], s.most ?? 0, 1) }))
	);
	const words = ({ sum, most, unit }: (typeof scales)[number]) =>
		`${formatNumber(sum, 0)}${most === null ? '' : ` of ${formatNumber(most, 0)}`} ${unit}`;
</script>

{#each scales as scale (scale.size)}
	<div class="scale" role="img" aria-label={words(scale)}>
		<div class="bar">
			{#each goes as line, i (line.key)}<span
					class:odd={i % 2 === 1}
					title="{line.name}, {formatNumber(line[scale.size], 0)} {scale.unit}"
					style:width="{(100 * line[scale.size]) / scale.wide}%"
					>{#if line[scale.size] / scale.wide > 0.14}{line.name}{/if}</span
				>{/each}
			{#if scale.most !== null}<i style:left="{(100 * scale.most) / scale.wide}%"></i>{/if}
		</div>
		<span class="mono small">{words(scale)}</span>
	</div>
{/each}

<style>
	.scale {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 130px;
		gap: 10px;
		align-items: center;
		margin: 8px 0;
	}
	.bar {
		position: relative;
		display: flex;
		height: 26px;
		background: var(--sheet-shade);
		border: 1px solid var(--rule);
	}
	.bar span {
		background: var(--brass);
		color: #1c1503;
		font-size: var(--s12);
		line-height: 24px;
		padding: 0 4px;
		overflow: hidden;
		white-space: nowrap;
		text-overflow: ellipsis;
		border-right: 1px solid var(--sheet);
		box-sizing: border-box;
		print-color-adjust: exact;
	}
	.bar .odd {
		background: color-mix(in srgb, var(--brass) 70%, var(--sheet));
	}
	.bar i {
		position: absolute;
		top: -4px;
		bottom: -4px;
		width: 3px;
		margin-left: -2px;
		background: var(--ink);
		print-color-adjust: exact;
	}
	.mono {
		font-family: var(--mono);
		text-align: right;
	}
</style>
