<script lang="ts">
	/** Components that cannot be shown on the wearer, why, and what could be put there. */
	import type { NotShown } from '$core/answers/assembled.ts';
	import Act from '../Act.svelte';
	import Sheet from '../Sheet.svelte';

	interface Props {
		/** Of the costume, as `/c/1`. */
		base: string;
		notShown: readonly NotShown[];
	}
	let { base, notShown }: Props = $props();
	const BECAUSE = {
		noShape: 'has no shape yet',
		noForm: 'is shaped flat: its form is not known',
		noZone: 'is worn nowhere',
		noPieces: 'lacks a measure',
		carried: 'is carried, not worn'
	};
</script>

<Sheet title="Not on the stand">
	<ul class="plain small">
		{#each notShown as { component, because, could } (component.id)}
			<li>
				<a href="{base}/pattern/new?of={component.id}">{component.code} {component.name}</a>
				{BECAUSE[because]}{#if could}
					<Act command="placeShape" hidden={{ id: could.shape.id, placed: JSON.stringify(could.placed) }}
						>Put it there<span class="visually-hidden">: {component.name}</span></Act
					>{/if}
			</li>
		{/each}
	</ul>
</Sheet>
