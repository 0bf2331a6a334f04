import { winnerAt } from '../../resolve';
import { lineage, partOf, propertyOf, type ThemeView, type PartName } from '../../theme';

/** The parts whose cells can have an icon beside their text. */
export const iconParts: readonly PartName[] = propertyOf('icon').parts.filter((part) => partOf(part).box === 'cells');

/** The part with icons that a part falls back to, for those that have one. */
const parents = new Map(
  iconParts.flatMap((part) => {
    const parent = lineage(part).find((each) => each !== part && iconParts.includes(each));
    return parent ? [[part, parent] as const] : [];
  }),
);

export interface IconSides {
  readonly sideOf: (part: PartName) => string;
  /** The part that a part falls back to, where it has its icons on the same side; rules of that reach this. */
  readonly likeOf: (part: PartName) => PartName | undefined;
}

/** On which side of the text each part has its icons: icons on either side are two pseudo-elements, and know nothing of each other. */
export function iconSides(view: ThemeView): IconSides {
  const side = new Map(iconParts.map((part) => [part, winnerAt(view, { part, conditions: [] }, 'icon-side').value.css]));
  const likeOf = (part: PartName): PartName | undefined => {
    const parent = parents.get(part);
    return parent !== undefined && side.get(part) === side.get(parent) ? parent : undefined;
  };
  return { sideOf: (part) => side.get(part) ?? '', likeOf };
}
