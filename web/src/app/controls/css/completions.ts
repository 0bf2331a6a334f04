import type { Completion, CompletionContext, CompletionResult, CompletionSource } from '@codemirror/autocomplete';
import { syntaxTree } from '@codemirror/language';
import { conditionOf, partNames, partOf } from '../../../../../core/theme';

const parts: readonly Completion[] = partNames
  .filter((name) => name !== 'lines')
  .map((name) => ({ label: name, type: 'type', detail: partOf(name).hint, boost: 10 }));

const queries: readonly Completion[] = ['media', 'container', 'supports', 'keyframes'].map((name) => ({
  label: `@${name}`,
  type: 'keyword',
  boost: 10,
}));

/** Conditions of the part that a selector begins with; those of all parts where it begins with none. */
function conditionsFor(line: string): readonly Completion[] {
  const found = partNames.filter((name) => new RegExp(`(?:^|[\\s,{])${name}(?![\\w-])`).test(line));
  const names = new Set((found.length > 0 ? found : partNames).flatMap((name) => partOf(name).conditions));
  names.delete('rest');
  return [...names].map((name) => ({ label: name, type: 'class', detail: conditionOf(name).label, boost: 10 }));
}

/** What can stand where the cursor is, beside what any stylesheet can have: parts, conditions, and the theme's swatches in `var()`. */
export const completionsOf =
  (swatches: () => readonly string[]): CompletionSource =>
  (context: CompletionContext): CompletionResult | null => {
    const variable = context.matchBefore(/var\(\s*(?:--)?[\w-]*/);
    if (variable) {
      const from = variable.to - (/(?:--)?[\w-]*$/.exec(variable.text)?.[0].length ?? 0);
      return { from, options: swatches().map((name) => ({ label: `--${name}`, type: 'variable', detail: 'swatch' })), validFor: /^-{0,2}[\w-]*$/ };
    }
    const query = context.matchBefore(/@[\w-]*/);
    if (query) return { from: query.from, options: queries, validFor: /^@[\w-]*$/ };
    const node = syntaxTree(context.state).resolveInner(context.pos, -1);
    const before = context.state.sliceDoc(Math.max(0, context.pos - 200), context.pos);
    const isInRule = before.lastIndexOf('{') > before.lastIndexOf('}');
    const condition = context.matchBefore(/:[\w-]*/);
    if (condition && (node.name === 'PseudoClassName' || !isInRule)) {
      const line = context.state.doc.lineAt(context.pos);
      return { from: condition.from + 1, options: conditionsFor(line.text.slice(0, condition.from - line.from)), validFor: /^[\w-]*$/ };
    }
    const word = context.matchBefore(/[\w-]+/);
    if (isInRule || (!word && !context.explicit)) return null;
    return { from: word?.from ?? context.pos, options: parts, validFor: /^[\w-]*$/ };
  };
