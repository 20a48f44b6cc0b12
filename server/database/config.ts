/** One ORM configuration for the server and its tests. */
import { defineConfig } from '@mikro-orm/postgresql'
import { Migrator } from '@mikro-orm/migrations'
import { entities } from './entities'
import { Migration0001 } from './migrations/Migration0001'
import { Migration0002 } from './migrations/Migration0002'
import { Migration0003 } from './migrations/Migration0003'

export const ormConfig = (clientUrl: string) => defineConfig({
  clientUrl,
  entities,
  extensions: [Migrator],
  discovery: { disableDynamicFileAccess: true },
  metadataCache: { enabled: false },
  migrations: { migrationsList: [{ name: 'Migration0001', class: Migration0001 }, { name: 'Migration0002', class: Migration0002 }, { name: 'Migration0003', class: Migration0003 }], snapshot: false, tableName: 'migrations' },
  schemaGenerator: { createForeignKeyConstraints: false },
  pool: { min: 0, max: 8 },
  logger: message => process.env.LUMBIK_LOG ? console.log(message) : undefined,
})
