import type { Against } from '../answers/againstPicture.ts';
import type { RoomFound } from '../answers/rooms.ts';
import type { LengthUnit } from '../units/measure.ts';
import { length, number } from '../units/figure.ts';
import type { Figure } from './figure.ts';

/** Between the faces of two walls where they are nearest; less than nothing where they run into each other. */
export function roomFigure({ upper, lower, room }: RoomFound, unit: LengthUnit): Figure {
	return {
		title: `Room between ${upper.name} and ${lower ? lower.name : 'the body'}`,
		formula: 'roomBetween',
		as: { kind: 'length', unit },
		inputs: [
			length('between the middles of both walls', room.apart, unit, 'where they are nearest on the stand'),
			length(`thickness of ${upper.name}`, upper.form.thickness, unit, 'what it is cut from'),
			length(
				lower ? `thickness of ${lower.name}` : 'thickness of what is beneath',
				lower?.form.thickness ?? 0,
				unit,
				'what it is cut from'
			)
		]
	};
}

/** How much larger a component is made than a picture has it, by the sides of squares of the same area. */
export function largerFigure({ component, made, picture }: Against): Figure {
	return {
		title: `${component.name} against the picture`,
		formula: 'largerThan',
		as: { kind: 'number', unit: '%' },
		inputs: [
			number('covered by what is made', made.area, 'its outline on the stand', 'mm²'),
			number('covered on the picture, for this wearer', picture.area, 'its outline there', 'mm²')
		]
	};
}
