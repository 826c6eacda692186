<script lang="ts">
	/** Of what its joins bear, what the worst of them takes: standing, walking, jumping. */
	import { worstOf, type Held } from '$core/answers/holding.ts';
	import { MOTIONS } from '$core/facts/wear.ts';
	import { formatNumber } from '$core/units/number.ts';

	let { held }: { held: Held } = $props();
	const percent = (share: number) => (Number.isFinite(share) ? `${formatNumber(100 * share, 0)} %` : 'tips');
</script>

{#if held.loads}
	<dl>
		{#each MOTIONS as motion (motion)}
			{@const share = worstOf(held.loads[motion])}
			<dt>{motion}</dt>
			<dd class:over={share > 1}>
				<span class="bar" aria-hidden="true"><i style:width="{Math.min(100, 100 * share)}%"></i></span>
				<span class="value">{percent(share)}</span>
			</dd>
		{/each}
	</dl>
{/if}

<style>
	dl {
		display: grid;
		grid-template-columns: auto minmax(80px, 1fr);
		gap: 4px 10px;
		margin: 0;
		align-items: center;
	}
	dt {
		font-weight: 400;
	}
	dd {
		margin: 0;
		display: grid;
		grid-template-columns: 1fr 56px;
		gap: 8px;
		align-items: center;
	}
	.bar {
		height: 12px;
		background: var(--sheet-shade);
		border: 1px solid var(--rule);
		display: block;
	}
	i {
		display: block;
		height: 100%;
		background: var(--good-ink);
	}
	.over i {
		background: var(--red-ink);
	}
	.value {
		font-family: var(--mono);
		text-align: right;
	}
	.over .value {
		color: var(--red-ink);
		font-weight: 600;
	}
</style>
