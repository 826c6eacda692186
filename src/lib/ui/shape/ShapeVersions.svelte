<script lang="ts">
	/** How a shape came to be as it is, newest first. */
	import type { Version } from '$core/answers/describeChange.ts';
	import { ShapeDraft } from './shapeDraft.svelte.ts';
	import Sheet from '../Sheet.svelte';
	import { timeWords } from '$core/units/localTime.ts';

	interface Props {
		versions: readonly Version[];
		draft: ShapeDraft;
	}
	let { versions, draft }: Props = $props();
	/** A value of an earlier version, in the maker’s unit. */
	const said = (key: string, value: string) => {
		const param = draft.shaper.params[key];
		if (!param || !Number.isFinite(Number(value))) return value;
		return param.choices?.[Number(value)] ?? (param.unit === 'mm' ? draft.length(Number(value)) : value);
	};
</script>

<Sheet title="Versions" level={3}>
	<ol class="versions" reversed>
		{#each versions as v (v.actionId)}
			<li>
				<span class="figure small">{timeWords(v.at)}</span>
				{#if v.fields.length}
					<span class="small"
						>{#each v.fields as f, i (f.name)}{i ? '; ' : ''}<b
								>{draft.shaper.params[f.name]?.name ?? f.name}</b
							>
							{said(f.name, f.before)} → {said(f.name, f.after)}{/each}</span
					>
				{:else}<span class="small">{v.words}</span>{/if}
			</li>
		{/each}
	</ol>
</Sheet>

<style>
	.versions {
		margin: 0;
		padding-left: 24px;
	}
</style>
