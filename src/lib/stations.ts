/** The stations of a costume, in the order of work, each with its letter. */
export const STATIONS = [
	{ path: 'look', name: 'Look', key: 'l', says: 'components, figure, steps' },
	{ path: 'measure', name: 'Measure', key: 'e', says: 'wearer, what goes on, pictures, fittings' },
	{ path: 'pattern', name: 'Pattern', key: 'a', says: 'pieces from shapes, printed 1:1' },
	{ path: 'lay', name: 'Lay', key: 'y', says: 'pieces on sheets and cloth' },
	{ path: 'buy', name: 'Buy', key: 'u', says: 'needs, purchases, money' },
	{ path: 'plan', name: 'Plan', key: 'p', says: 'dates, order-by, bench line' },
	{ path: 'bench', name: 'Bench', key: 'b', says: 'what to do now, timer, log' },
	{ path: 'finish', name: 'Finish', key: 'f', says: 'coats and drying' },
	{ path: 'wear', name: 'Wear', key: 'w', says: 'holds, weighs, dresses, lights, packs' },
	{ path: 'mend', name: 'Mend', key: 'm', says: 'faults and cures' }
] as const;

/** Beside the costumes. */
export const ROOMS = [
	{ path: '/', name: 'Shelf', key: 's', says: 'all costumes' },
	{ path: '/stash', name: 'Stash', key: 't', says: 'materials and what is owned' },
	{ path: '/makers', name: 'Makers', key: 'k', says: 'hours, places, rates' },
	{ path: '/history', name: 'History', key: 'h', says: 'every change, undo' },
	{ path: '/settings', name: 'Settings', key: ',', says: 'units, money, backup' }
] as const;
