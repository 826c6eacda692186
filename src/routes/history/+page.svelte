<script lang="ts">
	import Undo2 from '@lucide/svelte/icons/undo-2';
	import { dayOf, dayWords, formatClock, clockOf } from '$core/units/localTime.ts';
	import type { ChangeWords } from '$core/answers/describeChange.ts';
	import Act from '$lib/ui/Act.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';
	import Room from '$lib/ui/Room.svelte';

	let { data }: { data: PageData } = $props();
	const link = (id: number | null, before: number | null = null) => {
		const q = new URLSearchParams();
		if (data.costumeId) q.set('costume', String(data.costumeId));
		if (before) q.set('before', String(before));
		if (id) q.set('open', String(id));
		return `/history${q.size ? `?${q}` : ''}${id ? `#action-${id}` : ''}`;
	};
	const days = $derived([...new Set(data.actions.map((a) => dayOf(a.at)))]);
</script>

<svelte:head><title>History · Dapper Ledger</title></svelte:head>

{#snippet list(changes: readonly ChangeWords[])}
	<ul class="changes small">
		{#each changes.slice(0, 40) as change, i (i)}
			<li>
				<b>{change.kind}</b>
				{change.what}{#each change.fields as field (field.name)}<span class="field"
						>{field.name}: <del>{field.before}</del> → <ins>{field.after}</ins></span
					>{/each}
			</li>
		{/each}
		{#if changes.length > 40}<li class="soft">and {changes.length - 40} more</li>{/if}
	</ul>
{/snippet}

<Room most="980px">
	<Sheet title="History">
		{#snippet tools()}
			{#if data.costumeId}<a class="button small" href="/history">All costumes</a>{/if}
			{#each data.shelf as c (c.id)}
				{#if c.id !== data.costumeId}<a class="button small quiet" href="/history?costume={c.id}">{c.name}</a
					>{/if}
			{/each}
		{/snippet}
		{#each days as day (day)}
			<h3>{dayWords(day)}</h3>
			<ol>
				{#each data.actions.filter((a) => dayOf(a.at) === day) as action (action.id)}
					<li id="action-{action.id}" class:gone={!action.stands} class:open={data.open === action.id}>
						<span class="figure small soft">{formatClock(clockOf(action.at))}</span>
						<a href={link(data.open === action.id ? null : action.id)} data-sveltekit-noscroll class="words"
							>{action.words}{#if action.fields.length && data.open !== action.id}<span class="small soft"
									>{#each action.fields as field, i (i)}<span class="field"
											>{field.name}: {field.before || '–'} → {field.after || '–'}</span
										>{/each}</span
								>{/if}</a
						>
						{#if !action.stands}<span class="small soft">undone</span>
						{:else}<a
								class="button small quiet"
								href={link(action.id)}
								data-sveltekit-noscroll
								aria-label="Look at undoing: {action.words}"><Undo2 size={14} /> Undo…</a
							>{/if}
						{#if data.open === action.id}
							<div class="detail">
								<h3>What it changed</h3>
								{@render list(data.changes)}
								{#if data.preview?.refused}<p class="bad">{data.preview.refused}</p>
								{:else if data.preview}
									<h3>Undoing it would</h3>
									{#if data.preview.later.length}
										<p class="bad">
											take back {data.preview.later.length} later {data.preview.later.length === 1
												? 'action'
												: 'actions'} on the same things:
										</p>
										<ul class="changes small">
											{#each data.preview.later as l (l.id)}<li>{l.words}</li>{/each}
										</ul>
									{/if}
									{@render list(data.preview.changes)}
									<div class="do">
										<Act command="undo" id={action.id} look="main"><Undo2 size={14} /> Undo this</Act>
									</div>
								{/if}
							</div>
						{/if}
					</li>
				{/each}
			</ol>
		{:else}<p class="soft">
				Nothing has been done yet. Every change will be listed here, and each can be undone.
			</p>{/each}
		{#if data.more}<p class="do"><a class="button small" href={link(null, data.more)}>Older</a></p>{/if}
	</Sheet>
</Room>

<style>
	ol {
		list-style: none;
		margin: 4px 0 16px;
		padding: 0;
	}
	ol > li {
		display: grid;
		grid-template-columns: 48px minmax(0, 1fr) auto;
		gap: 0 12px;
		align-items: center;
		border-bottom: 1px solid var(--rule);
		min-height: 36px;
	}
	.words {
		text-decoration: none;
		padding: 6px 0;
	}
	.words:hover {
		text-decoration: underline;
	}
	.gone .words {
		text-decoration: line-through;
		color: var(--ink-soft);
	}
	.open {
		background: var(--sheet-shade);
	}
	.detail {
		grid-column: 1 / -1;
		padding: 8px 12px 16px 60px;
	}
	.changes {
		margin: 4px 0 12px;
		padding-left: 16px;
	}
	.field {
		display: block;
		overflow-wrap: anywhere;
	}
	del {
		color: var(--red-ink);
	}
	ins {
		color: var(--good-ink);
		text-decoration: none;
	}
	.bad {
		color: var(--red-ink);
	}
	.do {
		margin-top: 8px;
	}
	@media (max-width: 700px) {
		.detail {
			padding-left: 8px;
		}
		.words {
			padding: 12px 0;
		}
	}
</style>
