import type { Choice } from '../../table';
import { contract } from './contract';

/** The classes of what is there for one choice alone, which the switches look for; empty where there is no choice. */
export const choiceClass = ({ period, currency }: Choice): string =>
  [
    ...(period === undefined ? [] : [contract.ofPeriod, contract.nthPeriod(period)]),
    ...(currency === undefined ? [] : [contract.ofCurrency, contract.nthCurrency(currency)]),
  ].join(' ');
