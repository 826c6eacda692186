import type { Transport } from '@sveltejs/kit';
import { Packed, packed, unpacked } from '$lib/packed.ts';

export const transport: Transport = {
	Packed: {
		encode: (value: unknown) => value instanceof Packed && packed(value.value),
		decode: (text: string) => new Packed(unpacked(text))
	}
};
