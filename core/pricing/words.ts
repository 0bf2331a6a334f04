import { languageNamed, type LanguageCode } from '../languages';

/** What a pricing table says of itself, where nothing else was typed. `{…}` stands for what is named. */
export interface PricingWords {
  readonly yes: string;
  readonly no: string;
  readonly notSaid: string;
  readonly free: string;
  readonly onRequest: string;
  readonly from: string;
  readonly perMonth: string;
  readonly save: string;
  readonly saveMonths: string;
  readonly price: string;
  readonly was: string;
  readonly everythingIn: string;
  readonly soldOut: string;
  readonly comingSoon: string;
  readonly features: string;
  readonly action: string;
  /** Heard before a feature that a plan does not have. */
  readonly absent: string;
  /** What the switch of periods is called, and what it says of a period that saves. */
  readonly period: string;
  readonly saveUpTo: string;
  /** What the choice of one plan is called, and the row of badges in the comparison. */
  readonly plan: string;
  readonly badge: string;
  /** What the switch of currencies is called. */
  readonly currency: string;
  /** What leads from the cards to the comparison. */
  readonly compare: string;
}

type Own = Omit<PricingWords, 'yes' | 'no'>;
const byLanguage: { readonly [code in LanguageCode]: Own } = {
  en: {
    ...{ notSaid: 'Not said', free: 'Free', onRequest: 'On request', from: 'from {amount}', perMonth: '{amount} a month', save: 'Save {saving}' },
    ...{ saveMonths: 'Save {saving} months', price: 'Price', was: 'was {amount}', everythingIn: 'Everything in {plan}, and', soldOut: 'Sold out' },
    ...{ comingSoon: 'Coming soon', features: 'Features', action: 'Choose' },
    ...{
      absent: 'Not included:',
      period: 'Period',
      saveUpTo: 'save up to {saving}',
      compare: 'Compare all plans',
      plan: 'Plan',
      badge: 'Note',
      currency: 'Currency',
    },
  },
  de: {
    ...{
      notSaid: 'Keine Angabe',
      free: 'Kostenlos',
      onRequest: 'Auf Anfrage',
      from: 'ab {amount}',
      perMonth: '{amount} im Monat',
      save: '{saving} sparen',
    },
    ...{ saveMonths: '{saving} Monate sparen', price: 'Preis', was: 'zuvor {amount}', everythingIn: 'Alles aus {plan} und', soldOut: 'Ausverkauft' },
    ...{ comingSoon: 'Bald verfügbar', features: 'Leistungen', action: 'Wählen' },
    ...{
      absent: 'Nicht enthalten:',
      period: 'Zeitraum',
      saveUpTo: 'bis zu {saving} sparen',
      compare: 'Alle Tarife vergleichen',
      plan: 'Tarif',
      badge: 'Hinweis',
      currency: 'Währung',
    },
  },
  fr: {
    ...{
      notSaid: 'Non précisé',
      free: 'Gratuit',
      onRequest: 'Sur demande',
      from: 'dès {amount}',
      perMonth: '{amount} par mois',
      save: 'Économisez {saving}',
    },
    ...{ saveMonths: 'Économisez {saving} mois', price: 'Prix', was: 'auparavant {amount}', everythingIn: 'Tout de {plan}, et', soldOut: 'Épuisé' },
    ...{ comingSoon: 'Bientôt disponible', features: 'Prestations', action: 'Choisir' },
    ...{
      absent: 'Non compris :',
      period: 'Période',
      saveUpTo: 'jusqu’à {saving} d’économie',
      compare: 'Comparer toutes les formules',
      plan: 'Formule',
      badge: 'À noter',
      currency: 'Devise',
    },
  },
  es: {
    ...{
      notSaid: 'No indicado',
      free: 'Gratis',
      onRequest: 'A consultar',
      from: 'desde {amount}',
      perMonth: '{amount} al mes',
      save: 'Ahorre {saving}',
    },
    ...{ saveMonths: 'Ahorre {saving} meses', price: 'Precio', was: 'antes {amount}', everythingIn: 'Todo lo de {plan} y', soldOut: 'Agotado' },
    ...{ comingSoon: 'Próximamente', features: 'Prestaciones', action: 'Elegir' },
    ...{
      absent: 'No incluido:',
      period: 'Periodo',
      saveUpTo: 'ahorre hasta {saving}',
      compare: 'Comparar todos los planes',
      plan: 'Plan',
      badge: 'Nota',
      currency: 'Moneda',
    },
  },
  el: {
    ...{
      notSaid: 'Δεν αναφέρεται',
      free: 'Δωρεάν',
      onRequest: 'Κατόπιν αιτήματος',
      from: 'από {amount}',
      perMonth: '{amount} τον μήνα',
      save: 'Κέρδος {saving}',
    },
    ...{
      saveMonths: 'Κέρδος {saving} μηνών',
      price: 'Τιμή',
      was: 'ήταν {amount}',
      everythingIn: 'Όλα όσα έχει το {plan} και',
      soldOut: 'Εξαντλήθηκε',
    },
    ...{ comingSoon: 'Σύντομα', features: 'Παροχές', action: 'Επιλογή' },
    ...{
      absent: 'Δεν περιλαμβάνεται:',
      period: 'Περίοδος',
      saveUpTo: 'κέρδος έως {saving}',
      compare: 'Σύγκριση όλων',
      plan: 'Πρόγραμμα',
      badge: 'Σημείωση',
      currency: 'Νόμισμα',
    },
  },
  ar: {
    ...{ notSaid: 'غير مذكور', free: 'مجانًا', onRequest: 'عند الطلب', from: 'ابتداءً من {amount}', perMonth: '{amount} شهريًا', save: 'وفّر {saving}' },
    ...{ saveMonths: 'وفّر {saving} من الأشهر', price: 'السعر', was: 'كان {amount}', everythingIn: 'كل ما في {plan}، وأيضًا', soldOut: 'نفدت الكمية' },
    ...{ comingSoon: 'قريبًا', features: 'الميزات', action: 'اختر' },
    ...{
      absent: 'غير مشمول:',
      period: 'المدة',
      saveUpTo: 'وفّر حتى {saving}',
      compare: 'قارن كل الباقات',
      plan: 'الباقة',
      badge: 'ملاحظة',
      currency: 'العملة',
    },
  },
};

/** The words of a document's language, or English ones where none are ready in it. */
export function pricingWords(language: string): PricingWords {
  const known = languageNamed(language === '' ? 'en' : language) ?? languageNamed('en');
  const [yes, no] = known?.yesAndNo ?? ['Yes', 'No'];
  return { ...byLanguage[known?.code ?? 'en'], yes, no };
}

/** Words with what they name in its places. */
export const filled = (words: string, given: Readonly<Record<string, string>>): string =>
  words.replace(/\{([a-z]+)\}/g, (whole, name: string) => (Object.hasOwn(given, name) ? (given[name] ?? '') : whole));
