import { expose } from 'comlink';
import { readClipboard, readCsv } from '../../../../core/intake';

/** Reading files and clipboards, off the interface's thread. */
const intake = { readCsv, readClipboard };
export type IntakeWorker = typeof intake;

expose(intake);
