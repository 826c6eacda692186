/** Components that a kind of costume has as a rule, in the maker's own words, to strike out and add to. Common practice. */
export interface StartingSet {
	name: string;
	lines: readonly string[];
}

export const STARTING_SETS: readonly StartingSet[] = [
	{
		name: 'plate armor',
		lines: [
			'undersuit, stretch',
			'breastplate, foam 5 mm, over the undersuit',
			'backplate, foam 5 mm, over the undersuit',
			'pauldrons, foam 5 mm, over the breastplate',
			'bracers, foam 5 mm',
			'gauntlets, foam 4 mm, over the bracers',
			'tassets, foam 5 mm',
			'greaves, foam 5 mm',
			'helmet, foam 5 mm',
			'boots, buy and alter',
			'cloak, wool, over the pauldrons',
			'sword, foam'
		]
	},
	{
		name: 'layered skirt',
		lines: [
			'petticoat, net',
			'skirt, satin, over the petticoat',
			'corset, brocade',
			'sleeves, satin',
			'gloves, stretch',
			'collar, satin',
			'wig, long',
			'tiara, foam 2 mm, over the wig',
			'shoes, buy and alter'
		]
	},
	{
		name: 'robe and staff',
		lines: [
			'tunic, linen',
			'robe, wool, over the tunic',
			'hood, wool, over the robe',
			'belt, leather, over the robe',
			'pouches on the belt, leather',
			'wig, long',
			'beard',
			'staff, wood, lights up',
			'boots, buy and alter'
		]
	},
	{
		name: 'creature',
		lines: [
			'bodysuit, stretch',
			'creature head, cloth covered',
			'horns, foam clay, over the creature head',
			'ears, cast',
			'paws, cloth covered',
			'claws, cast, over the paws',
			'tail, fur, over the bodysuit',
			'wings, foam 5 mm, over the bodysuit',
			'boot covers, foam, over the paws'
		]
	}
];
