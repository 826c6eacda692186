import { select } from 'd3-selection';
import { zoom, zoomIdentity, type D3ZoomEvent, type ZoomBehavior } from 'd3-zoom';

/** A drawing that is looked into: wheel, two fingers, drag, buttons. */
export class Zoomed {
	/** Pixels of the drawing are k times as large and moved by x, y. */
	moved = $state.raw({ k: 1, x: 0, y: 0 });
	#node: SVGSVGElement | null = null;
	#behaviour: ZoomBehavior<SVGSVGElement, unknown>;

	/** @param filter which events move the view; all that the library takes if left out */
	constructor(extent: [number, number], filter?: (event: Event) => boolean) {
		this.#behaviour = zoom<SVGSVGElement, unknown>()
			.scaleExtent(extent)
			.on('zoom', ({ transform: { k, x, y } }: D3ZoomEvent<SVGSVGElement, unknown>) => {
				this.moved = { k, x, y };
			});
		if (filter) this.#behaviour.filter(filter);
	}

	attach = (node: SVGSVGElement) => {
		this.#node = node;
		const chosen = select(node).call(this.#behaviour).on('dblclick.zoom', null);
		return () => chosen.on('.zoom', null);
	};
	by(factor: number) {
		if (this.#node) select(this.#node).call(this.#behaviour.scaleBy, factor);
	}
	all() {
		if (this.#node) select(this.#node).call(this.#behaviour.transform, zoomIdentity);
	}
}
