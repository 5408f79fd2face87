import { EntitySchema, type ValueTransformer } from 'typeorm';

import type { Document } from '@sphene/core/documents';

/** int8 arrives as a string; these columns count changes and stay far under 2^53. */
const int8: ValueTransformer = {
  to: (value: unknown) => value,
  from: (value: string | null) => (value === null ? null : Number(value)),
};

export interface Account {
  id: string;
  name: string;
  /** number of the account's last change; moved under the row's lock */
  seq: number;
  createdAt: Date;
}
export const AccountEntity = new EntitySchema<Account>({
  name: 'Account',
  tableName: 'accounts',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid' },
    name: { type: 'text' },
    seq: { type: 'bigint', default: 0, transformer: int8 },
    createdAt: { name: 'created_at', type: 'timestamptz', createDate: true },
  },
  uniques: [{ name: 'accounts_name_key', columns: ['name'] }],
});

export interface Session {
  /** SHA-256 of the cookie's token, hexadecimal */
  id: string;
  accountId: string;
  createdAt: Date;
  expiresAt: Date;
}
export const SessionEntity = new EntitySchema<Session>({
  name: 'Session',
  tableName: 'sessions',
  columns: {
    id: { type: 'text', primary: true },
    accountId: { name: 'account_id', type: 'uuid' },
    createdAt: { name: 'created_at', type: 'timestamptz', createDate: true },
    expiresAt: { name: 'expires_at', type: 'timestamptz' },
  },
  foreignKeys: [
    {
      name: 'sessions_account_fk',
      target: 'Account',
      columnNames: ['accountId'],
      referencedColumnNames: ['id'],
      onDelete: 'CASCADE',
    },
  ],
  indices: [{ name: 'sessions_expires_idx', columns: ['expiresAt'] }],
});

/**
 * Every document of every type in one table: sync reads them all in one order, by `seq`, and one index answers it.
 * What is asked about relationally (the setup of a reading, the shoot of a setup) is a generated column over the body,
 * so that the body stays the only truth.
 */
export interface StoredDocument {
  accountId: string;
  id: string;
  type: Document['type'];
  body: Document;
  version: number;
  seq: number;
  shootId: string | null;
  setupId: string | null;
  updatedAt: Date;
  deletedAt: Date | null;
}
const generatedId = (name: string, field: string) => ({
  name,
  type: 'uuid' as const,
  nullable: true,
  asExpression: `(body ->> '${field}')::uuid`,
  generatedType: 'STORED' as const,
});
export const DocumentEntity = new EntitySchema<StoredDocument>({
  name: 'Document',
  tableName: 'documents',
  columns: {
    accountId: { name: 'account_id', type: 'uuid', primary: true },
    id: { type: 'uuid', primary: true },
    type: { type: 'text' },
    body: { type: 'jsonb' },
    version: { type: 'bigint', transformer: int8 },
    seq: { type: 'bigint', transformer: int8 },
    shootId: generatedId('shoot_id', 'shootId'),
    setupId: generatedId('setup_id', 'setupId'),
    updatedAt: { name: 'updated_at', type: 'timestamptz', updateDate: true },
    deletedAt: { name: 'deleted_at', type: 'timestamptz', deleteDate: true, nullable: true },
  },
  foreignKeys: [
    {
      name: 'documents_account_fk',
      target: 'Account',
      columnNames: ['accountId'],
      referencedColumnNames: ['id'],
      onDelete: 'CASCADE',
    },
  ],
  indices: [
    { name: 'documents_seq_idx', columns: ['accountId', 'seq'], unique: true },
    { name: 'documents_setup_idx', columns: ['accountId', 'setupId'] },
    { name: 'documents_shoot_idx', columns: ['accountId', 'shootId'] },
  ],
});

/** Mutations that were carried out, by the client's key, so that one sent again is answered and not done twice. */
export interface DoneMutation {
  accountId: string;
  key: string;
  result: Record<string, unknown>;
  appliedAt: Date;
}
export const MutationEntity = new EntitySchema<DoneMutation>({
  name: 'Mutation',
  tableName: 'mutations',
  columns: {
    accountId: { name: 'account_id', type: 'uuid', primary: true },
    key: { type: 'uuid', primary: true },
    result: { type: 'jsonb' },
    appliedAt: { name: 'applied_at', type: 'timestamptz', createDate: true },
  },
  foreignKeys: [
    {
      name: 'mutations_account_fk',
      target: 'Account',
      columnNames: ['accountId'],
      referencedColumnNames: ['id'],
      onDelete: 'CASCADE',
    },
  ],
});

export const entities = [AccountEntity, SessionEntity, DocumentEntity, MutationEntity];
