export type Value = string | string[] | File;
export type Values = Record<string, Value>;

/** A form as an object. Names that end in `[]` are lists, also with one entry. */
export function formValues(form: FormData): Values {
	const values: Values = {};
	for (const [name, value] of form)
		if (name.endsWith('[]')) {
			const key = name.slice(0, -2);
			values[key] = [...((values[key] as string[] | undefined) ?? []), String(value)];
		} else values[name] = value;
	return values;
}
