<script lang="ts">
	/** What a place asks of the weather. */
	import Tick from '$lib/ui/Tick.svelte';
	import type { Place } from '$core/facts/workshop.ts';

	interface Props {
		place?: Place;
	}
	let { place }: Props = $props();
</script>

<Tick name="daylightOnly" label="in daylight only" checked={place?.daylightOnly ?? false} />
<Tick name="dryOnly" label="in dry weather only" checked={place?.dryOnly ?? false} />
