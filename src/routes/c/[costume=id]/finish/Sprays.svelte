<script lang="ts">
	/** What is sprayed on which day, colour by colour, as the plan has it. */
	import type { SpraySession } from '$core/answers/spraySessions.ts';
	import { hexOf } from '$core/engines/colour/lab.ts';
	import { sprayFigure } from '$core/explain/coating.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import type { Component } from '$core/facts/component.ts';
	import { clockOf, dayWords, formatClock, timeWords } from '$core/units/localTime.ts';
	import { capital } from '$core/units/names.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		sessions: readonly SpraySession[];
		base: string;
	}
	let { sessions, base }: Props = $props();
	/** So many stand on the first screen. */
	const FIRST = 4;
	const keyOf = (s: SpraySession) => `${s.day} ${s.product.name} ${s.material?.id}`;
	/** A component once, with how many of its coats. */
	const partsOf = ({ passes }: SpraySession): { component: Component; coats: number }[] =>
		[...new Set(passes.map((p) => p.component))].map((component) => ({
			component,
			coats: passes.filter((p) => p.component === component).length
		}));
</script>

{#snippet one(session: SpraySession)}
	{@const figure = sprayFigure(session)}
	<li class="session">
		<span
			class="paint"
			class:none={!session.material?.lab}
			style:background={session.material?.lab ? hexOf(session.material.lab) : undefined}
		></span>
		<span class="when figure"
			>{dayWords(session.day)}<br />from {formatClock(clockOf(session.passes[0]!.start))}</span
		>
		<div>
			<b>{session.material?.name ?? capital(session.product.name)}</b>
			<p class="tags">
				{#each partsOf(session) as { component, coats } (component.id)}
					<span class="part"
						><Tag {component} href="{base}/look/{component.id}" />{#if coats > 1}
							{coats} coats{/if}</span
					>
				{/each}
			</p>
			{#if session.masks.length}<p class="small mask">
					Mask first: {session.masks.map((m) => `${m.component.code} ${m.step.name}`).join(', ')}
				</p>{/if}
			<p class="small soft">
				{session.passes.length === 1 ? 'one coat' : `${session.passes.length} coats`}, set out
				{session.setOuts <= 1 ? 'once' : `${session.setOuts} times`}; dry
				{timeWords(session.dry)}
			</p>
		</div>
		<span class="takes"
			><Working
				{figure}
				text={session.ml === null
					? `${formatNumber(valueOf(figure), 2)} ${session.material?.unit ?? 'packs'}`
					: `${formatNumber(valueOf(figure), 0)} ml`}
			/></span
		>
	</li>
{/snippet}

{#if sessions.length}
	<Sheet title="Sprays, as planned">
		<ol class="plain">
			{#each sessions.slice(0, FIRST) as session (keyOf(session))}{@render one(session)}{/each}
		</ol>
		{#if sessions.length > FIRST}
			<details>
				<summary>{sessions.length - FIRST} later ones</summary>
				<ol class="plain">
					{#each sessions.slice(FIRST) as session (keyOf(session))}{@render one(session)}{/each}
				</ol>
			</details>
		{/if}
	</Sheet>
{/if}

<style>
	.session {
		display: grid;
		grid-template-columns: 14px 120px 1fr auto;
		gap: 14px;
		padding: 10px 0;
		align-items: start;
	}
	.session + .session {
		border-top: 1px solid var(--rule);
	}
	.paint {
		align-self: stretch;
		border: 1px solid var(--ink-soft);
	}
	.none {
		background: repeating-linear-gradient(-45deg, var(--rule) 0 2px, transparent 2px 6px);
	}
	.tags {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 10px;
		margin: 4px 0;
	}
	.part {
		display: inline-flex;
		gap: 6px;
		align-items: center;
	}
	.mask {
		color: var(--yellow-ink);
		font-weight: 600;
	}
	.takes {
		font-weight: 600;
	}
	@media (max-width: 700px) {
		.session {
			grid-template-columns: 14px 1fr auto;
		}
		.session > div {
			grid-column: 2 / -1;
			grid-row: 2;
		}
		.paint {
			grid-row: 1 / 3;
		}
	}
</style>
