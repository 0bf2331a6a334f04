import { createHash } from 'node:crypto';
import type { Database } from '../database/database';
import { invalid } from '../problems';
import { pictureKind } from './picture-kind';

export interface KeptPicture {
  readonly id: string;
  readonly name: string;
  readonly type: string;
}

/** Pictures by their content: the same file is kept once. */
export class MediaStore {
  constructor(private readonly database: Database) {}

  /** Keeps a picture; refuses what is none, or could run something. */
  async keep(name: string, content: Buffer): Promise<KeptPicture> {
    const kind = pictureKind(content);
    if (!kind.ok) throw invalid(kind.problems);
    const { type, extension } = kind.value;
    const id = `${createHash('sha256').update(content).digest('hex').slice(0, 24)}.${extension}`;
    await this.database.query('insert into media (id, name, type, content) values ($1, $2, $3, $4) on conflict (id) do nothing', [
      id,
      name,
      type,
      content,
    ]);
    return { id, name, type };
  }

  async list(): Promise<readonly KeptPicture[]> {
    return this.database.query<KeptPicture & Record<string, unknown>>('select id, name, type from media order by created_at, id');
  }

  async get(id: string): Promise<{ readonly type: string; readonly content: Buffer } | undefined> {
    const [row] = await this.database.query<{ type: string; content: Uint8Array }>('select type, content from media where id = $1', [id]);
    return row && { type: row.type, content: Buffer.from(row.content) };
  }
}
