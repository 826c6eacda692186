/** What a form is told back: errors by field, and what was typed, so that nothing is lost. */
export interface FormFailure {
	command: string;
	id: string;
	errors: Record<string, string>;
	message: string;
	values: Record<string, unknown>;
	/** The row as another window left it. */
	current?: Record<string, unknown>;
	/** All data was put back meanwhile: what is shown is of before. */
	renewed?: boolean;
}

export interface FormDone {
	command: string;
	done: string;
	result: unknown;
}
