<script lang="ts">
	import { capital } from '$core/units/names.ts';
	import X from '@lucide/svelte/icons/x';
	import FileDown from '@lucide/svelte/icons/file-down';
	import { sunOf } from '$core/answers/planProblem.ts';
	import { daylightOf } from '$core/engines/schedule/daylight.ts';
	import { SUMMER_TIME_KEYS, SUMMER_TIMES } from '$core/facts/calendar.ts';
	import { dayOf, formatClock, weekdayName } from '$core/units/localTime.ts';
	import { formatLength } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { USED_UP } from '$core/facts/material.ts';
	import { marginOf } from '$core/trade/margin.ts';
	import FormError from '$lib/ui/FormError.svelte';
	import { CURRENCIES } from '$core/units/money.ts';
	import Act from '$lib/ui/Act.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Notice from '$lib/ui/Notice.svelte';
	import Comfort from './Comfort.svelte';
	import LoadFactors from './LoadFactors.svelte';
	import NearMisses from './NearMisses.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tick from '$lib/ui/Tick.svelte';
	import type { PageData } from './$types';
	import Submit from '$lib/ui/Submit.svelte';
	import Room from '$lib/ui/Room.svelte';

	let { data }: { data: PageData } = $props();
	const s = $derived(data.settings);
	const light = $derived(daylightOf(dayOf(data.now), sunOf(s)));
	const length = (mm: number) => formatLength(mm, s.lengthUnit);
	/** `2031-05-02T18-30-at-start.dapper-backup.zip` in words. */
	function backupWords(name: string): string {
		const [, day, hour, minute, tag] = /^(\S{10})T(\d\d)-(\d\d)-(.+)\.dapper/.exec(name) ?? [];
		return day ? `${day} ${hour}:${minute}, ${tag!.replaceAll('-', ' ')}` : name;
	}
</script>

<svelte:head><title>Settings · Dapper Ledger</title></svelte:head>
<Room most="760px">
	{#if data.trouble}
		<Sheet title="What is stored cannot be read">
			<Notice bad>{data.trouble}</Notice>
			<p>Nothing was changed. Save what is there, if that goes, and put an earlier backup in its place.</p>
		</Sheet>
	{:else}
		<Sheet title="Units and money">
			<Form command="editSetting" version={s.version} label="Settings">
				<div class="grid">
					<Field
						name="lengthUnit"
						label="Measures"
						options={[
							{ value: 'mm', label: 'millimetres' },
							{ value: 'cm', label: 'centimetres' },
							{ value: 'in', label: 'inches' }
						]}
						value={s.lengthUnit}
					/>
					<Field
						name="clothUnit"
						label="Cloth and long lines"
						options={[
							{ value: 'm', label: 'metres' },
							{ value: 'yd', label: 'yards' }
						]}
						value={s.clothUnit}
					/>
					<Field
						name="weightUnit"
						label="Weight"
						options={[
							{ value: 'g', label: 'grams' },
							{ value: 'oz', label: 'ounces' }
						]}
						value={s.weightUnit}
					/>
					<Field name="currency" label="Currency of new costumes" options={CURRENCIES} value={s.currency} />
					<Field
						name="weekStart"
						label="Week begins"
						options={[1, 2, 3, 4, 5, 6, 7].map((d) => ({ value: d, label: weekdayName(d) }))}
						value={s.weekStart}
					/>
					<Field name="bedWideMm" label="Printer bed, wide" value={length(s.bedWideMm)} />
					<Field name="bedDeepMm" label="Printer bed, deep" value={length(s.bedDeepMm)} />
					<Field name="bedHighMm" label="Printer, high" value={length(s.bedHighMm)} />
				</div>
				<h3>Sun and weather</h3>
				<p class="small soft">
					For <a href="/makers">places</a> that need daylight or dry weather. By these figures the sun is up
					today from {formatClock(light.from)} to {formatClock(light.to)}.
				</p>
				<div class="grid">
					<Field
						name="latitude"
						label="Degrees north (south with a minus)"
						value={formatNumber(s.latitude, 2)}
						inputmode="decimal"
					/>
					<Field
						name="noonMinute"
						label="Sun highest at, without summer time"
						type="time"
						value={formatClock(s.noonMinute)}
					/>
					<Field
						name="summerTime"
						label="Clocks an hour forward"
						options={SUMMER_TIME_KEYS.map((key) => ({ value: key, label: SUMMER_TIMES[key].name }))}
						value={s.summerTime}
					/>
					<Field name="wetDays" label="Wet days of thirty" value={s.wetDays} inputmode="numeric" />
				</div>
				<Tick
					name="coldOrDamp"
					label="Workshop is cold or damp (below 15 °C or above 70 % humidity): double the drying"
					checked={s.coldOrDamp}
				/>
				<Submit>Save</Submit>
			</Form>
			<p class="small soft">
				What is typed with a unit is read in that unit; what is stored stays exact. Hours, places and rates
				are under <a href="/makers">Makers</a>.
			</p>
		</Sheet>

		<Sheet title="Bought besides, so that it is enough">
			<p class="small soft lead">
				Of paint and of what work uses up, so much more than it comes to. Layouts and areas of pieces have
				their own room for waste.
			</p>
			<Form command="setMargins" version={s.version} label="Margins">
				<div class="grid">
					{#each USED_UP as family (family)}<Field
							name="more[]"
							label={capital(family)}
							value={formatNumber((marginOf(s, family) - 1) * 100, 1)}
							inputmode="decimal"
							suffix="%"
						/>{/each}
				</div>
				<FormError name="more" />
				<Submit>Save the margins</Submit>
			</Form>
		</Sheet>
		<NearMisses settings={s} />
		<LoadFactors settings={s} />
		<Comfort settings={s} />
		<Sheet title="Other currencies">
			<p class="small soft">
				A price may be in another currency than its costume. It is exchanged by the rate typed here; without
				one it is not known.
			</p>
			{#if data.exchange.length}
				<ul>
					{#each data.exchange as r (r.id)}
						<li>
							<span class="figure">1 {r.currency} = {formatNumber(r.rate, 6)} {s.currency}</span>
							<Act command="removeExchangeRate" id={r.id} look="quiet" label="Remove the rate of {r.currency}"
								><X size={14} /></Act
							>
						</li>
					{/each}
				</ul>
			{/if}
			<Form command="setExchangeRate" label="Exchange rate" class="restore">
				<Field
					name="currency"
					label="One of"
					options={CURRENCIES.filter((c) => c !== s.currency)}
					value={CURRENCIES.find((c) => c !== s.currency)!}
				/>
				<Field name="rate" label="is worth" inputmode="decimal" value="" suffix={s.currency} />
				<button class="button">Set the rate</button>
			</Form>
		</Sheet>
	{/if}
	<Sheet title="Backup">
		<p>Everything, History and pictures included, in one file.</p>
		<p class="end"><a class="button" href="/backup" download><FileDown size={16} /> Save a backup</a></p>
		<p class="small soft end">The data lies in <code>{data.folder}</code>.</p>
	</Sheet>
	<Sheet title="Restore">
		<p>Puts a backup in place of everything here. What is here now is kept as a backup first.</p>
		<Form command="restoreBackup" upload label="Restore from a file" class="restore">
			<Field name="file" label="Backup file" type="file" accept=".zip,application/zip" />
			<button class="button">Restore this file</button>
		</Form>
		{#if data.backups.length}
			<h3>Kept at start</h3>
			<ul>
				{#each data.backups as name (name)}
					<li>
						<span class="figure">{backupWords(name)}</span>
						<Form command="restoreBackup" hidden={{ kept: name }} label="Restore {backupWords(name)}"
							><button class="button small quiet">Restore</button></Form
						>
					</li>
				{/each}
			</ul>
		{/if}
	</Sheet>
</Room>

<style>
	.lead {
		margin-bottom: 8px;
	}
	.grid {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
		gap: 10px 12px;
		margin-bottom: 8px;
	}
	h3 {
		margin: 16px 0 4px;
	}
	h3 + p {
		margin-bottom: 8px;
	}
	code {
		font-family: var(--mono);
		overflow-wrap: anywhere;
	}
	:global(form.restore) {
		display: flex;
		gap: 12px;
		align-items: end;
		flex-wrap: wrap;
		margin: 12px 0;
	}
	ul {
		list-style: none;
		margin: 4px 0;
		padding: 0;
	}
	li {
		display: flex;
		justify-content: space-between;
		align-items: center;
		border-bottom: 1px solid var(--rule);
	}
</style>
