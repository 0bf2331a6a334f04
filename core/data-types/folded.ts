import { folded as inLanguage } from '../../runtime/folded';
import { lettersOf } from '../languages';

/** A text as it is searched for in a language (a BCP 47 tag; English where none is said): as visitors of live pages search. */
export const folded = (text: string, language = ''): string => inLanguage(text, language || 'en', lettersOf(language));
