import type { Thing } from '$core/answers/assembled.ts';
import type { RoomFound } from '$core/answers/rooms.ts';

/** Rooms between what stands on the wearer, found anew once it has rested. */
export class RoomsFound {
	/** Null while they are being found. */
	all = $state.raw<readonly RoomFound[] | null>(null);
	/** Shapes that run into something. */
	readonly into = $derived(
		new Set(
			(this.all ?? [])
				.filter((r) => r.verdict === 'into')
				.flatMap((r) => [r.upper.shape.id, ...(r.lower ? [r.lower.shape.id] : [])])
		)
	);
	#rest: ReturnType<typeof setTimeout> | undefined;

	find(things: readonly Thing[]): () => void {
		clearTimeout(this.#rest);
		let stale = false;
		this.#rest = setTimeout(async () => {
			const { roomsOf } = await import('$core/answers/rooms.ts');
			if (!stale) this.all = roomsOf({ things: [...things] });
		}, 150);
		return () => {
			stale = true;
			clearTimeout(this.#rest);
		};
	}
}
