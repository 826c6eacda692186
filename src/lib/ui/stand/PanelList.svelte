<script lang="ts">
	/** The panels that are drawn, with their darts and corners: each corner can be moved by its figures, with those that meet it. */
	import { EDGE_RUNS, MOST_EASED, PLACES } from '$core/facts/panelPlan.ts';
	import { parseNumber } from '$core/units/number.ts';
	import type { PanelDraft } from './panelDraft.svelte.ts';

	let { draft }: { draft: PanelDraft } = $props();
	const RUNS = { shortest: 'the shortest way', even: 'evenly' };
	/** Corner and figure of what is typed and no place. */
	let wrong = $state('');
	function move(panel: number, corner: number, key: 'level' | 'turn', text: string) {
		const at = draft.plan.panels[panel]!.points[corner]!;
		const read = parseNumber(text.replace('°', ''));
		const [least, most] = PLACES[key];
		const isOne = read.ok && read.value >= least && read.value <= most;
		wrong = isOne ? '' : `Corner ${corner + 1}: its ${key} is a number from ${least} to ${most}.`;
		if (isOne) draft.moveCorner(panel, corner, { level: at.level, turn: at.turn, [key]: read.value });
	}
	function ease(panel: number, corner: number, text: string) {
		const read = text.trim() ? parseNumber(text.replace('%', '')) : { ok: true as const, value: 0 };
		const isOne = read.ok && read.value >= 0 && read.value <= 100 * MOST_EASED;
		wrong = isOne ? '' : `Corner ${corner + 1}: an edge is eased in by 0 to ${100 * MOST_EASED} %.`;
		if (isOne) draft.sayEdge(panel, corner, { eases: read.value / 100 });
	}
	const shown = (value: number) => String(Math.round(value * 100) / 100).replace('-', '−');
</script>

<ul class="plain">
	{#each draft.plan.panels as panel, i (i)}
		<li>
			<details>
				<summary>{panel.name}</summary>
				<div class="wide" role="region" aria-label="Corners of {panel.name}">
					<table class="small">
						<thead
							><tr
								><th>Corner</th><th>Level</th><th>Turned to, °</th><th>The next line runs</th><th
									>Eased in, %</th
								></tr
							></thead
						>
						<tbody>
							{#each panel.points as point, k (k)}
								<tr>
									<th scope="row">{k + 1}</th>
									{#each ['level', 'turn'] as const as key (key)}
										<td
											><input
												type="text"
												inputmode="decimal"
												aria-label="{key} of corner {k + 1} of {panel.name}"
												value={shown(point[key])}
												onchange={(e) => move(i, k, key, e.currentTarget.value)}
											/></td
										>
									{/each}
									<td
										><select
											aria-label="line after corner {k + 1} of {panel.name}"
											value={point.runs}
											onchange={(e) =>
												draft.sayEdge(i, k, { runs: e.currentTarget.value as typeof point.runs })}
											>{#each EDGE_RUNS as run (run)}<option value={run}>{RUNS[run]}</option>{/each}</select
										></td
									>
									<td
										><input
											type="text"
											inputmode="decimal"
											aria-label="eased in after corner {k + 1} of {panel.name}"
											value={point.eases ? shown(100 * point.eases) : ''}
											onchange={(e) => ease(i, k, e.currentTarget.value)}
										/></td
									>
								</tr>
							{/each}
						</tbody>
					</table>
				</div>
			</details>
			{#if draft.plan.panels.length > 1}<button
					class="button small quiet"
					type="button"
					onclick={() => draft.dropPanel(i)}
					>leave out<span class="visually-hidden"> {panel.name}</span></button
				>{/if}
			{#each draft.plan.darts as dart, d (d)}{#if dart.panel === i}
					<span class="small">· dart</span>
					<button class="button small quiet" type="button" onclick={() => draft.dropDart(d)}
						>close it<span class="visually-hidden"> in {panel.name}</span></button
					>{/if}{/each}
		</li>
	{/each}
</ul>
{#if wrong}<p class="small wrong" role="alert">{wrong}</p>{/if}

<style>
	ul {
		margin-top: 10px;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 0 8px;
		min-width: 0;
	}
	details[open] {
		flex-basis: 100%;
		min-width: 0;
	}
	.wide {
		overflow-x: auto;
		max-height: 320px;
		overflow-y: auto;
	}
	td,
	th {
		padding: 2px 8px 2px 0;
		text-align: left;
		font-weight: 400;
	}
	input {
		width: 5.5em;
	}
	.wrong {
		color: var(--red-ink);
	}
</style>
