import { Migration } from '@mikro-orm/migrations'

/**
 * What the shelf needs stands beside the document; a bin for all that can be deleted; writes that were taken; indexes
 * for lists.
 */
export class Migration0004 extends Migration {
  override up(): void {
    this.addSql('alter table "kitchen" add column "revision" int not null default 1')
    this.addSql('update "kitchen" set "revision" = "version"')
    this.addSql('alter table "kitchen" alter column "revision" drop default')
    for (const table of ['place', 'vessel', 'equipment'])
      this.addSql(`alter table "${table}" add column "deleted_at" timestamptz null`)
    this.addSql('alter table "lot" add column "version" int not null default 1')
    this.addSql('alter table "lot" alter column "version" drop default')
    this
      .addSql(`alter table "formula" add column "school" varchar(255) not null default '', add column "eggs" jsonb null, add column "parent_formula_id" uuid null,
      add column "result_version" int null, add column "readable" boolean not null default true`)
    this.addSql('alter table "formula" rename column "result_kitchen_version" to "result_revision"')
    this.addSql(`update "formula" set "school" = coalesce("document"->>'school', ''), "result_version" = null`)
    for (const column of ['school', 'readable'])
      this.addSql(`alter table "formula" alter column "${column}" drop default`)
    // The shelf reads its index backwards, so what came first among equals has the highest position.
    this.addSql('update "formula" set "position" = 1000 - "position" where "demo"')
    this
      .addSql(`update "formula" f set "parent_formula_id" = p."formula_id" from "formula_version" v join "formula_version" p on p."id" = v."parent_id"
      where v."formula_id" = f."id" and p."formula_id" <> f."id"`)
    this.addSql('alter table "formula" drop column "last_mutation_id"')
    this.addSql('drop index "formula_kitchen_id_deleted_at_index"')
    this.addSql(
      'create index "formula_kitchen_id_deleted_at_updated_at_position_id_index" on "formula" ("kitchen_id", "deleted_at", "updated_at", "position", "id")',
    )
    this.addSql('create index "formula_parent_formula_id_index" on "formula" ("parent_formula_id")')
    this.addSql('drop index "formula_version_formula_id_index"')
    this.addSql(
      'create index "formula_version_formula_id_created_at_id_index" on "formula_version" ("formula_id", "created_at", "id")',
    )
    this.addSql('create index "formula_version_formula_id_label_index" on "formula_version" ("formula_id", "label")')
    this.addSql('create index "formula_version_parent_id_index" on "formula_version" ("parent_id")')
    this.addSql('alter table "formula_version" drop column "result"')
    // Automatic states are thinned out as they age; what came after one then names no state before it. Nothing else of
    // a version changes.
    this.addSql('alter table "formula_version" drop constraint "formula_version_parent_id_fkey"')
    this.addSql(
      'alter table "formula_version" add constraint "formula_version_parent_id_fkey" foreign key ("parent_id") references "formula_version" ("id") on delete set null',
    )
    this
      .addSql(`create or replace function "formula_version_is_immutable"() returns trigger language plpgsql as $$ begin
      if new."parent_id" is null and to_jsonb(new) - 'parent_id' = to_jsonb(old) - 'parent_id' then return new; end if;
      raise exception 'a formula version is never changed'; end $$`)
    this
      .addSql(`create table "mutation" ("id" uuid not null, "kitchen_id" uuid not null references "kitchen" ("id"), "created_at" timestamptz not null, "target_id" uuid not null,
      "version" int not null, constraint "mutation_pkey" primary key ("id"))`)
    this.addSql('create index "mutation_created_at_index" on "mutation" ("created_at")')
  }

  override down(): void {
    this.addSql('drop table "mutation"')
    this.addSql(
      `create or replace function "formula_version_is_immutable"() returns trigger language plpgsql as $$ begin raise exception 'a formula version is never changed'; end $$`,
    )
    this.addSql('alter table "formula_version" drop constraint "formula_version_parent_id_fkey"')
    this.addSql(
      'alter table "formula_version" add constraint "formula_version_parent_id_fkey" foreign key ("parent_id") references "formula_version" ("id")',
    )
    this.addSql('alter table "formula_version" add column "result" jsonb null')
    for (const name of [
      'formula_version_parent_id_index',
      'formula_version_formula_id_label_index',
      'formula_version_formula_id_created_at_id_index',
      'formula_parent_formula_id_index',
      'formula_kitchen_id_deleted_at_updated_at_position_id_index',
    ])
      this.addSql(`drop index "${name}"`)
    this.addSql('create index "formula_version_formula_id_index" on "formula_version" ("formula_id")')
    this.addSql('create index "formula_kitchen_id_deleted_at_index" on "formula" ("kitchen_id", "deleted_at")')
    this.addSql('update "formula" set "position" = 1000 - "position" where "demo"')
    this.addSql(
      'alter table "formula" add column "last_mutation_id" uuid null, drop column "school", drop column "eggs", drop column "parent_formula_id", drop column "result_version", drop column "readable"',
    )
    this.addSql('alter table "formula" rename column "result_revision" to "result_kitchen_version"')
    this.addSql('alter table "lot" drop column "version"')
    for (const table of ['place', 'vessel', 'equipment']) {
      this.addSql(`delete from "${table}" where "deleted_at" is not null`)
      this.addSql(`alter table "${table}" drop column "deleted_at"`)
    }
    this.addSql('alter table "kitchen" drop column "revision"')
  }
}
