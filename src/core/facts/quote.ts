/** What a client was told a costume costs, and on which terms. It stays as it was told, whatever the costume becomes. */
export const QUOTE_STATES = ['draft', 'sent', 'accepted', 'declined'] as const;
export type QuoteState = (typeof QUOTE_STATES)[number];

/** A part of the price, due at a stage of the work. */
export interface Payment {
	/** When it is due, in words: `with the order`. */
	name: string;
	percent: number;
}

/** What the maker says of a quote. */
export interface QuoteTerms {
	/** Of an hour of work, in minor units of the quote's currency. */
	hourRateMinor: number;
	/** For design, travel, fittings, risk: whatever is asked besides, in minor units. */
	feeMinor: number;
	/** How likely, in per cent, that the hours are enough: what that takes beyond the usual ones is contingency. */
	oddsPercent: number;
	/** Added to everything; null where none is asked. */
	taxPercent: number | null;
	payments: readonly Payment[];
}

/** One component's part of the price. */
export interface QuoteLine {
	/** Null for what is of no component. */
	componentId: number | null;
	code: string;
	name: string;
	materialsMinor: number;
	/** Hands-on minutes, usual ones. */
	minutes: number;
	workMinor: number;
}

/** A price worked out, coin for coin. */
export interface QuoteSums {
	lines: readonly QuoteLine[];
	materialsMinor: number;
	minutes: number;
	workMinor: number;
	contingencyMinutes: number;
	contingencyMinor: number;
	feeMinor: number;
	taxMinor: number;
	totalMinor: number;
	payments: readonly (Payment & { minor: number })[];
}

export interface Quote extends QuoteTerms {
	id: number;
	costumeId: number;
	/** 1, 2, 3 … of the costume. */
	number: number;
	state: QuoteState;
	/** Whole days since 1970-01-01. */
	madeOn: number;
	validUntil: number;
	/** When the costume is handed over. */
	readyOn: number;
	/** Who makes it, and for whom: as letters begin, lines and all. */
	maker: string;
	client: string;
	/** In plain words. */
	terms: string;
	currency: string;
	/** As it was told. */
	sums: QuoteSums;
	/** The accepted quote that it changes; null for one that stands for itself. */
	changesId: number | null;
	version: number;
}
