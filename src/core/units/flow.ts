/**
 * Maximum flow by Dinic's blocking flows (E. A. Dinic, 1970): levels by breadth, then paths that only go one
 * level up, until none is left. Fast on flat networks such as work into windows. Capacities are whole.
 */
export class FlowNetwork {
	readonly #first: Int32Array;
	#to: number[] = [];
	#left: number[] = [];
	#next: number[] = [];

	constructor(nodes: number) {
		this.#first = new Int32Array(nodes).fill(-1);
	}

	edge(from: number, to: number, capacity: number): void {
		this.#half(from, to, capacity);
		this.#half(to, from, 0);
	}

	#half(from: number, to: number, capacity: number): void {
		this.#to.push(to);
		this.#left.push(capacity);
		this.#next.push(this.#first[from]!);
		this.#first[from] = this.#to.length - 1;
	}

	/** How much can flow from one node to another. Uses the network up. */
	most(source: number, sink: number): number {
		const level = new Int32Array(this.#first.length);
		let total = 0;
		while (this.#levels(source, sink, level)) {
			const at = Int32Array.from(this.#first);
			for (let sent = -1; sent !== 0; total += sent) sent = this.#push(source, sink, Infinity, level, at);
		}
		return total;
	}

	/** After `most`: the nodes that a least cut leaves with the source. */
	side(source: number): (node: number) => boolean {
		const level = new Int32Array(this.#first.length);
		this.#levels(source, source, level);
		return (node) => level[node]! >= 0;
	}

	#levels(source: number, sink: number, level: Int32Array): boolean {
		level.fill(-1);
		level[source] = 0;
		const queue = [source];
		for (let k = 0; k < queue.length; k++)
			for (let e = this.#first[queue[k]!]!; e >= 0; e = this.#next[e]!)
				if (this.#left[e]! > 0 && level[this.#to[e]!]! < 0) {
					level[this.#to[e]!] = level[queue[k]!]! + 1;
					queue.push(this.#to[e]!);
				}
		return level[sink]! >= 0;
	}

	/** One path of the blocking flow; as deep as the network has levels. */
	#push(node: number, sink: number, most: number, level: Int32Array, at: Int32Array): number {
		if (node === sink) return most;
		for (; at[node]! >= 0; at[node] = this.#next[at[node]!]!) {
			const e = at[node]!;
			const to = this.#to[e]!;
			if (this.#left[e]! <= 0 || level[to] !== level[node]! + 1) continue;
			const sent = this.#push(to, sink, Math.min(most, this.#left[e]!), level, at);
			if (sent === 0) continue;
			this.#left[e]! -= sent;
			this.#left[e ^ 1]! += sent;
			return sent;
		}
		return 0;
	}
}
