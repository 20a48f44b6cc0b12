import { Migration } from '@mikro-orm/migrations'

/**
 * Occasions: when a formula is made, for how many, with which stock. Each formula has one usual occasion, which bears
 * the formula's own id and is written with its next save; documents of earlier schemas hold theirs until then. A kept state carries the occasion of its time.
 */
export class Migration0005 extends Migration {
  override up(): void {
    this.addSql(`create table "occasion" ("id" uuid not null, "kitchen_id" uuid not null references "kitchen" ("id"),
      "actor_id" uuid not null references "actor" ("id"), "created_at" timestamptz not null, "updated_at" timestamptz not null,
      "formula_id" uuid not null references "formula" ("id") on delete cascade,
      "document" jsonb not null, "schema_version" int not null, constraint "occasion_pkey" primary key ("id"))`)
    this.addSql('create index "occasion_formula_id_index" on "occasion" ("formula_id")')
    this.addSql('alter table "formula_version" add column "occasion" jsonb null')
  }

  override down(): void {
    this.addSql('alter table "formula_version" drop column "occasion"')
    this.addSql('drop table "occasion"')
  }
}
