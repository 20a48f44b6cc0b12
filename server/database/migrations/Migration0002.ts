import { Migration } from '@mikro-orm/migrations'

/** Lots carry how their strength was found, °Brix, fat and how much there is; taking one away can be undone. */
export class Migration0002 extends Migration {
  override up(): void {
    this.addSql('alter table "lot" alter column "acid_percent" drop not null')
    for (const column of ['brix', 'fat_percent', 'acid_ln_sigma', 'mass_g']) this.addSql(`alter table "lot" add column "${column}" double precision null`)
    this.addSql(`alter table "lot" add column "method" jsonb not null default '{"kind":"entered"}', add column "deleted_at" timestamptz null`)
    this.addSql('alter table "lot" alter column "method" drop default')
  }

  override down(): void {
    this.addSql('delete from "lot" where "acid_percent" is null')
    this.addSql('alter table "lot" alter column "acid_percent" set not null')
    for (const column of ['brix', 'fat_percent', 'acid_ln_sigma', 'mass_g', 'method', 'deleted_at']) this.addSql(`alter table "lot" drop column "${column}"`)
  }
}
