import { tableOf, type Table } from '../../../../../core/table';

/** A small table that shows each part once, for specimens where no table of the person's own is meant. */
export const sampleTable: Table = tableOf(
  'Evening boats',
  [
    ['Boat', 'To', 'Leaves', 'Fare'],
    ['Lantern Ada', 'Skerrin', '18:10', '£6.50'],
    ['Moth', 'Fennel Point', '18:35', '£8.20'],
    ['Wick', 'Tarn Isle', '19:20', '£11.00'],
    ['Paper Gull', 'Skerrin', '20:05', '£11.40'],
    ['Median fare', '', '', '£9.60'],
  ],
  { caption: 'Evening boats', rowHeaders: 1, footerRows: 1 },
);
