import { array, boolean, number, object, string } from 'yup';

/** How a placement shows a pricing table: its plans as cards, beside each other or below, one of them at a time, or as the comparison, or both. */
export const planForms = ['comparison', 'cards', 'cards and comparison', 'one plan at a time'] as const;
export type PlanForm = (typeof planForms)[number];
/** Whether each card has its own list of features, or a feature the same line in all of them. */
export const cardLists = ['own lists', 'common lines'] as const;

/** The form in which a placement shows a pricing table, and others where there is less room: each from a width of its container in px down. */
export interface PlansShown {
  readonly form: PlanForm;
  readonly lists?: (typeof cardLists)[number];
  readonly at?: readonly { readonly upTo: number; readonly form: PlanForm }[];
  /** Whether search engines are told of plans and prices (JSON-LD). */
  readonly told?: boolean;
}

const FORM = `Plans are shown as ${planForms.join(', ')}.`;
const FORM_AT = 'A form is said for containers up to 120 to 4000 px wide, each width once.';
const formText = string()
  .strict()
  .required(FORM)
  .oneOf([...planForms], FORM);
/** What is checked of it. */
export const plansShown = object({
  form: formText,
  lists: string()
    .strict()
    .oneOf([...cardLists], `Cards have ${cardLists.join(' or ')}.`)
    .optional()
    .default(undefined),
  at: array()
    .strict()
    .of(object({ upTo: number().strict().required(FORM_AT).integer(FORM_AT).min(120, FORM_AT).max(4000, FORM_AT), form: formText }).noUnknown())
    .max(6, 'At most 6 widths have a form of their own.')
    .test('widths', FORM_AT, (all) => new Set(all?.map((each) => each.upTo)).size === (all?.length ?? 0))
    .optional()
    .default(undefined),
  told: boolean().strict().optional().default(undefined),
})
  .noUnknown('The form of plans has no other fields.')
  .optional()
  .default(undefined);

/** The forms that a placement has at any width, each once, in the order of all forms. */
export const formsOf = ({ form, at = [] }: PlansShown): readonly PlanForm[] => {
  const had = new Set([form, ...at.map((each) => each.form)]);
  return planForms.filter((each) => had.has(each));
};

/** Whether a form has cards, and whether it has the comparison. */
export const hasCards = (form: PlanForm): boolean => form !== 'comparison';
export const hasComparison = (form: PlanForm): boolean => form === 'comparison' || form === 'cards and comparison';

/** Whether cards are shown at any width, and whether the comparison is; without anything said, the comparison alone. */
export const showsCards = (plans: PlansShown | undefined): boolean => plans !== undefined && formsOf(plans).some(hasCards);
export const showsComparison = (plans: PlansShown | undefined): boolean => plans === undefined || formsOf(plans).some(hasComparison);
/** Whether plans are shown one at a time at any width. */
export const showsOneAtATime = (plans: PlansShown | undefined): boolean => plans !== undefined && formsOf(plans).includes('one plan at a time');
