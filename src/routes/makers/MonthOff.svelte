<script lang="ts">
	/** A month whose days are painted free or not: clicked, dragged over, or by keys. */
	import ChevronLeft from '@lucide/svelte/icons/chevron-left';
	import ChevronRight from '@lucide/svelte/icons/chevron-right';
	import { tick } from 'svelte';
	import {
		dayWords,
		monthName,
		monthOf,
		monthsAfter,
		weekdayName,
		weekdaysFrom,
		weeksOfMonth
	} from '$core/units/localTime.ts';
	import { run } from '$lib/ui/run.ts';

	interface Props {
		/** Whole days since 1970-01-01. */
		off: readonly number[];
		/** Whose: sent along. */
		whose: { makerId: number | null; placeId: number | null };
		name: string;
		/** What a day that is painted is called. */
		free: string;
		today: number;
		weekStart: number;
	}
	let { off, whose, name, free, today, weekStart }: Props = $props();
	// svelte-ignore state_referenced_locally
	let at = $state(today);
	let drag = $state.raw<{ from: number; to: number; on: boolean } | null>(null);
	/** Painted, and not kept yet. */
	let sent = $state.raw<ReadonlySet<number> | null>(null);
	let grid: HTMLElement | undefined = $state();
	const month = $derived(monthOf(at));
	const weeks = $derived(weeksOfMonth(month, weekStart));
	const kept = $derived(sent ?? new Set(off));
	const within = (day: number) =>
		drag !== null &&
		day >= Math.max(today, Math.min(drag.from, drag.to)) &&
		day <= Math.max(drag.from, drag.to);
	const isOff = (day: number) => (drag && within(day) ? drag.on : kept.has(day));

	let sending: Promise<unknown> = Promise.resolve();
	async function paint(days: readonly number[], on: boolean) {
		const next = new Set(kept);
		for (const day of days)
			if (on) next.add(day);
			else next.delete(day);
		sent = next;
		sending = sending.then(() => run('setDaysOff', { ...whose, days: JSON.stringify(days), off: on }));
		await sending;
		if (sent === next) sent = null;
	}
	function begin(event: PointerEvent, day: number) {
		if (event.button !== 0) return;
		at = day;
		drag = { from: day, to: day, on: !kept.has(day) };
	}
	/** A finger keeps its first target: what lies under it is asked for. */
	function over(event: PointerEvent) {
		if (!drag) return;
		const day = Number(
			document.elementFromPoint(event.clientX, event.clientY)?.closest('[data-day]')?.getAttribute('data-day')
		);
		if (day && day >= today) drag = { ...drag, to: day };
	}
	function end() {
		if (!drag) return;
		const { from, to, on } = drag;
		drag = null;
		const [first, last] = [Math.min(from, to), Math.max(from, to)];
		void paint(
			Array.from({ length: last - first + 1 }, (_, i) => first + i),
			on
		);
	}
	async function go(day: number) {
		at = Math.max(today, day);
		await tick();
		grid?.querySelector<HTMLElement>(`[data-day="${at}"]`)?.focus();
	}
	function onkeydown(event: KeyboardEvent) {
		const by = ({ ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 } as Record<string, number>)[
			event.key
		];
		if (by) {
			const next = Math.max(today, at + by);
			// With shift what is gone over becomes what this day is.
			if (event.shiftKey && next !== at) {
				const days = Array.from({ length: Math.abs(next - at) }, (_, i) => at + Math.sign(by) * (i + 1));
				void paint(days, kept.has(at));
			}
			void go(next);
		} else if (event.key === 'PageDown') void go(monthsAfter(at, 1));
		else if (event.key === 'PageUp') void go(monthsAfter(at, -1));
		else if (event.key === ' ' || event.key === 'Enter') void paint([at], !kept.has(at));
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<div class="month">
	<p class="heads">
		<button
			type="button"
			class="button quiet small"
			disabled={month <= today}
			aria-label="{name}: the month before"
			onclick={() => (at = Math.max(today, monthsAfter(month, -1)))}><ChevronLeft size={16} /></button
		>
		<b aria-live="polite">{monthName(month)}</b>
		<button
			type="button"
			class="button quiet small"
			aria-label="{name}: the next month"
			onclick={() => (at = monthsAfter(month, 1))}><ChevronRight size={16} /></button
		>
	</p>
	<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
	<div
		class="days"
		role="group"
		aria-label="{free} of {name}: arrows move, space changes a day, shift and arrows paint"
		bind:this={grid}
		onpointermove={over}
		onpointerup={end}
		onpointercancel={() => (drag = null)}
		{onkeydown}
	>
		{#each weekdaysFrom(weekStart) as day (day)}<span class="small soft" aria-hidden="true"
				>{weekdayName(day).slice(0, 2)}</span
			>{/each}
		{#each weeks.flat() as day, i (day ?? `of another ${i}`)}
			{#if day === null}<span></span>
			{:else}
				<button
					type="button"
					data-day={day}
					class:off={isOff(day)}
					class:today={day === today}
					disabled={day < today}
					tabindex={day === Math.max(at, month) ? 0 : -1}
					aria-pressed={isOff(day)}
					aria-label={dayWords(day)}
					onpointerdown={(e) => begin(e, day)}>{day - month + 1}</button
				>
			{/if}
		{/each}
	</div>
</div>

<style>
	.month {
		max-width: 300px;
		margin: 4px 0 8px;
	}
	.heads {
		display: flex;
		justify-content: space-between;
		align-items: center;
	}
	.days {
		display: grid;
		grid-template-columns: repeat(7, 1fr);
		gap: 2px;
		text-align: center;
		touch-action: pan-y;
		user-select: none;
	}
	.days button {
		min-height: 30px;
		padding: 0;
		border: 1px solid transparent;
		background: var(--sheet-shade);
		color: var(--ink);
		font: 13px var(--mono);
		cursor: pointer;
	}
	.days .today {
		border-color: var(--ink);
	}
	.days .off {
		background: var(--ink);
		color: var(--sheet);
	}
	.days button:disabled {
		background: none;
		color: var(--ink-soft);
		cursor: default;
	}
	@media (max-width: 700px) {
		.month {
			max-width: none;
		}
		.days button {
			min-height: 44px;
		}
	}
</style>
