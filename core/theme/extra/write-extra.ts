import type { ExtraDeclaration, ExtraFrames, ExtraRule, Reached } from './extra';

const selectorOf = ({ part, conditions, also, below }: Reached): string => `${part}${conditions.map((each) => `:${each}`).join('')}${also}${below}`;
const lines = (declarations: readonly ExtraDeclaration[], indent: string): string =>
  declarations.map(([property, value]) => `${indent}  ${property}: ${value};\n`).join('');

/** Rules that were read as text again, which reads as the same. */
export function writeExtra(rules: readonly ExtraRule[], keyframes: readonly ExtraFrames[]): string {
  const written = rules
    .filter(({ declarations }) => declarations.length > 0)
    .map(({ reached, around, declarations }) => {
      const rule = `${selectorOf(reached)} {\n${lines(declarations, '')}}\n`;
      return around.reduceRight((inner, { kind, query }) => `@${kind} ${query} {\n${inner}}\n`, rule);
    });
  const frames = keyframes.map(
    ({ name, frames: each }) =>
      `@keyframes ${name} {\n${each.map(({ at, declarations }) => `  ${at} {\n${lines(declarations, '  ')}  }\n`).join('')}}\n`,
  );
  return [...written, ...frames].join('\n');
}
