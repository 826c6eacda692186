<script lang="ts">
	/** Where one shape stands on the wearer: moved by its figures; kept as soon as they rest. */
	import { beforeNavigate } from '$app/navigation';
	import { untrack } from 'svelte';
	import { placeWords, type Thing } from '$core/answers/assembled.ts';
	import { PLACED_LIMBS, type Placement } from '$core/facts/placement.ts';
	import { formatLength, parseSignedLength, type LengthUnit } from '$core/units/measure.ts';
	import { parseNumber } from '$core/units/number.ts';
	import { say } from '$core/units/problem.ts';
	import Act from '../Act.svelte';
	import Field from '../Field.svelte';
	import Form from '../Form.svelte';

	interface Props {
		thing: Thing;
		unit: LengthUnit;
		/** Shown there at once. */
		onmove: (to: Placement) => void;
		/** Kept as it stands: nothing of it is on its way any more. */
		onkept: (id: number) => void;
	}
	let { thing, unit, onmove, onkept }: Props = $props();
	const where = $derived(thing.where!);
	/** The same as long as this is shown. */
	const id = untrack(() => thing.shape.id);
	let form = $state<{ submit: () => void }>();
	let wrong = $state<{ name: string; words: string } | null>(null);

	const MOST_OUT = 500;
	const PAUSE = 700;
	let rest: ReturnType<typeof setTimeout> | undefined;
	let unsent = false;
	let sending = false;
	/** Kept once it has rested. */
	export function move(to: Placement, now = false) {
		wrong = null;
		onmove(to);
		unsent = true;
		clearTimeout(rest);
		rest = setTimeout(keep, now ? 0 : PAUSE);
	}
	/** One after another: what is shown must not fall back to what an earlier one had kept. */
	function keep(leaving = false) {
		clearTimeout(rest);
		if (!unsent || (sending && !leaving)) return;
		unsent = false;
		sending = true;
		form?.submit();
	}
	export const leave = () => keep(true);
	beforeNavigate(leave);
	function answered(done: boolean) {
		sending = false;
		if (unsent) rest = setTimeout(keep);
		else if (done) onkept(id);
	}

	const LIMBS = { trunk: 'trunk and head', arm: 'arm', leg: 'leg', foot: 'foot' };
	const off = (text: string) => {
		const read = parseSignedLength(text, unit);
		if (read.ok && Math.abs(read.value) <= MOST_OUT) move({ ...where, out: read.value });
		else
			wrong = {
				name: 'out',
				words: read.ok ? `At most ${formatLength(MOST_OUT, unit)}.` : say(read.problem)
			};
	};
	const numbers = (key: 'level' | 'turn' | 'tip' | 'spin', text: string, least: number, most: number) => {
		const read = parseNumber(text.replace('°', ''));
		if (read.ok && read.value >= least && read.value <= most) move({ ...where, [key]: read.value });
		else wrong = { name: key, words: read.ok ? `Between ${least} and ${most}.` : say(read.problem) };
	};
	const shown = (value: number) => String(Math.round(value * 100) / 100).replace('-', '−');
	const hint = (name: string, words: string) => (wrong?.name === name ? wrong.words : words);
</script>

<p class="small where">{placeWords(thing)}</p>
<Form
	bind:this={form}
	command="placeShape"
	label="Where {thing.name} stands"
	hidden={{ id, placed: JSON.stringify(where) }}
	onDone={() => answered(true)}
	onFail={() => answered(false)}
>
	<div class="fields">
		<Field
			name="limb"
			label="On the"
			options={PLACED_LIMBS.map((value) => ({ value, label: LIMBS[value] }))}
			bind:value={() => where.limb, (v) => move({ ...where, limb: v as Placement['limb'], level: 1 })}
		/>
		<Field
			name="way"
			label="Worn"
			options={[
				{ value: 'round', label: 'round it' },
				{ value: 'on', label: 'on its surface' }
			]}
			bind:value={() => where.way, (v) => move({ ...where, way: v as Placement['way'] })}
		/>
		<Field
			name="level"
			label="Level"
			inputmode="decimal"
			hint={hint('level', 'from the top, in measured levels')}
			bind:value={() => shown(where.level), (v) => numbers('level', v, -1, 8)}
		/>
		<Field
			name="turn"
			label="Turned to"
			suffix="°"
			inputmode="decimal"
			hint={hint('turn', where.limb === 'trunk' ? '0 left, 90 front, 270 back' : '0 outside, 90 front')}
			bind:value={() => shown(where.turn), (v) => numbers('turn', v, -360, 360)}
		/>
		<Field
			name="out"
			label="Off the body"
			hint={hint('out', 'besides what is worn beneath')}
			bind:value={() => formatLength(where.out, unit), off}
		/>
		<Field
			name="tip"
			label="Tipped"
			suffix="°"
			inputmode="decimal"
			hint={hint('tip', 'up or down')}
			bind:value={() => shown(where.tip), (v) => numbers('tip', v, -180, 180)}
		/>
		<Field
			name="spin"
			label="Spun"
			suffix="°"
			inputmode="decimal"
			hint={hint('spin', 'about its own axis')}
			bind:value={() => shown(where.spin), (v) => numbers('spin', v, -180, 180)}
		/>
	</div>
</Form>
{#if thing.shape.placed}
	<Act command="placeShape" hidden={{ id, placed: 'null' }}>Back where it is worn</Act>
{/if}

<style>
	.where {
		margin: 0 0 10px;
	}
</style>
