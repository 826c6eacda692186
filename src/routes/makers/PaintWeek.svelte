<script lang="ts">
	/**
	 * Hours of a usual week, painted: dragged over by mouse or finger, or by keys. What is dragged over becomes hours
	 * where it began outside of them, else none.
	 */
	import { copiedDay, isPainted, painted, windowsOf, type Week } from '$core/answers/paintWeek.ts';
	import { weekMinutes } from '$core/facts/calendar.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { DAY, formatClock, weekdayName, weekdaysFrom } from '$core/units/localTime.ts';

	interface Props {
		week: Week;
		/** Whose it is, and which of two. */
		name: string;
		/** Over it, where there are two. */
		title?: string;
		weekStart: number;
		onpaint: (week: Week) => void;
	}
	let { week, name, title = '', weekStart, onpaint }: Props = $props();
	const STEP = 30;
	const HOURS = [0, 6, 12, 18, 24];
	const weekdays = $derived(weekdaysFrom(weekStart));
	let drag = $state.raw<{ day: number; from: number; to: number; on: boolean } | null>(null);
	const spanOf = (d: NonNullable<typeof drag>) => ({
		day: d.day,
		from: Math.min(d.from, d.to),
		to: Math.max(d.from, d.to) + STEP
	});
	const shown = $derived(drag ? painted(week, spanOf(drag), drag.on) : week);
	/** Where the keys are: a day, and the minute its half hour begins. */
	let at = $state({ day: 1, minute: 18 * 60 });
	let focused = $state(false);
	/** The day whose hours are taken to others. */
	let copying = $state<number | null>(null);
	const spanWords = (day: number) =>
		shown[day - 1]!.map(([from, to]) => `${formatClock(from)}–${formatClock(to)}`).join(', ') || 'free';

	const minuteAt = (event: PointerEvent & { currentTarget: HTMLElement }) => {
		const { left, width } = event.currentTarget.getBoundingClientRect();
		const share = Math.min(0.9999, Math.max(0, (event.clientX - left) / width));
		return Math.floor((share * DAY) / STEP) * STEP;
	};
	function begin(event: PointerEvent & { currentTarget: HTMLElement }, day: number) {
		if (event.button !== 0) return;
		event.currentTarget.setPointerCapture(event.pointerId);
		const minute = minuteAt(event);
		at = { day, minute };
		drag = { day, from: minute, to: minute, on: !isPainted(shown, day, minute) };
	}
	function end() {
		if (!drag) return;
		const whole = shown;
		drag = null;
		onpaint(whole);
	}
	function choose(day: number) {
		if (copying === null) copying = day;
		else if (copying === day) copying = null;
		else onpaint(copiedDay(shown, copying, day));
	}
	function onkeydown(event: KeyboardEvent) {
		const by = ({ ArrowLeft: -STEP, ArrowRight: STEP } as Record<string, number>)[event.key];
		const down = ({ ArrowUp: -1, ArrowDown: 1 } as Record<string, number>)[event.key];
		if (by) {
			const next = Math.min(DAY - STEP, Math.max(0, at.minute + by));
			// With shift the next half hour becomes what this one is.
			if (event.shiftKey && next !== at.minute)
				onpaint(
					painted(shown, { day: at.day, from: next, to: next + STEP }, isPainted(shown, at.day, at.minute))
				);
			at = { ...at, minute: next };
		} else if (down) {
			const i = weekdays.indexOf(at.day) + down;
			at = { ...at, day: weekdays[Math.min(6, Math.max(0, i))]! };
		} else if (event.key === ' ' || event.key === 'Enter') {
			onpaint(
				painted(
					shown,
					{ day: at.day, from: at.minute, to: at.minute + STEP },
					!isPainted(shown, at.day, at.minute)
				)
			);
		} else if (event.key === 'Escape' && copying !== null) copying = null;
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<p class="small soft figure">
	{title}{title ? ': ' : ''}{formatDuration(weekMinutes(windowsOf(shown)))} a week
</p>
<!-- svelte-ignore a11y_no_noninteractive_element_interactions, a11y_no_noninteractive_tabindex -->
<div
	class="week"
	role="application"
	tabindex="0"
	aria-label="{name}: arrows move, space begins or ends hours, shift and arrows paint"
	{onkeydown}
	onfocus={() => (focused = true)}
	onblur={() => (focused = false)}
>
	{#each weekdays as day (day)}
		<button
			type="button"
			class="day small"
			class:copying={copying === day}
			tabindex="-1"
			title={copying === null
				? `Copy ${weekdayName(day)} to other days`
				: copying === day
					? 'Enough'
					: `${weekdayName(copying)} to ${weekdayName(day)}`}
			onclick={() => choose(day)}>{weekdayName(day)}</button
		>
		<div
			class="row"
			role="presentation"
			title="{weekdayName(day)}: {spanWords(day)}"
			onpointerdown={(e) => begin(e, day)}
			onpointermove={(e) => drag?.day === day && (drag = { ...drag, to: minuteAt(e) })}
			onpointerup={end}
			onpointercancel={() => (drag = null)}
		>
			{#each shown[day - 1]! as [from, to] (from)}<i
					class="hours"
					style:left="{(100 * from) / DAY}%"
					style:width="{(100 * (to - from)) / DAY}%"
				></i>{/each}
			{#if focused && at.day === day}<i
					class="cursor"
					style:left="{(100 * at.minute) / DAY}%"
					style:width="{(100 * STEP) / DAY}%"
				></i>{/if}
		</div>
	{/each}
	<span></span>
	<span class="scale small soft" aria-hidden="true"
		>{#each HOURS as h (h)}<span style:left="{(100 * h) / 24}%">{h}</span>{/each}</span
	>
</div>
<p class="small soft" aria-live="polite">
	{#if copying !== null}Click the days that get the hours of {weekdayName(
			copying
		)}.{:else if focused}{weekdayName(at.day)}
		{formatClock(at.minute)}, {isPainted(shown, at.day, at.minute) ? 'in its hours' : 'free'}.{:else}Drag over
		a day to paint its hours, or to take them away; click its name to copy it.{/if}
</p>

<style>
	.week {
		display: grid;
		grid-template-columns: 44px minmax(0, 1fr);
		gap: 3px 6px;
		margin: 6px 0 2px;
	}
	.day {
		border: 0;
		background: none;
		color: var(--ink);
		text-align: left;
		padding: 0;
		cursor: copy;
	}
	.day.copying {
		font-weight: 700;
		text-decoration: underline;
	}
	.row {
		position: relative;
		height: 24px;
		background:
			repeating-linear-gradient(90deg, var(--rule) 0 1px, transparent 1px calc(100% / 24)), var(--sheet-shade);
		touch-action: pan-y;
		cursor: crosshair;
	}
	.hours {
		position: absolute;
		top: 0;
		bottom: 0;
		background: var(--brass);
		border-inline: 1px solid var(--ink);
		print-color-adjust: exact;
	}
	.cursor {
		position: absolute;
		inset: -2px auto -2px auto;
		border: 2px solid var(--ink);
	}
	.scale {
		position: relative;
		height: 16px;
		font-family: var(--mono);
	}
	.scale span {
		position: absolute;
		transform: translateX(-50%);
	}
	.scale span:first-child {
		transform: none;
	}
	.scale span:last-child {
		transform: translateX(-100%);
	}
	@media (max-width: 700px) {
		.row,
		.day {
			height: 40px;
		}
	}
</style>
