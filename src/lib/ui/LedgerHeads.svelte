<script lang="ts">
	/** What stands in the columns of the ledger. */
</script>

<div class="heads small soft" aria-hidden="true">
	<span></span><span>Component</span><span class="form">Form</span><span class="layer">Layer</span><span
		class="zones">Zones</span
	><span class="source">Get</span><span class="seen">Seen</span><span class="need">Needed</span><span
		>Stage</span
	><span class="left">Left</span>
</div>

<style>
	.heads {
		display: grid;
		grid-template-columns: var(--ledger);
		gap: 0 8px;
		border-bottom: 2px solid var(--ink);
		font-weight: 600;
		padding-bottom: 4px;
	}
	.heads .layer {
		margin-left: -6px;
	}
	.heads .left {
		text-align: right;
	}
	@media (max-width: 1400px) {
		.heads .form {
			display: none;
		}
	}
	@media (max-width: 1100px) {
		.heads .zones,
		.heads .seen {
			display: none;
		}
	}
	@media (max-width: 700px) {
		.heads {
			display: none;
		}
	}
</style>
