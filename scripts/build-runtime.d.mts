export const optional: readonly string[];
export const choices: readonly (readonly string[])[];
/** The script for pages with some of the optional features. */
export function tableScript(some: readonly string[]): Promise<string>;
export function buildRuntime(): Promise<void>;
