import { Migration } from '@mikro-orm/migrations'

/** First tables. */
export class Migration0001 extends Migration {
  override up(): void {
    const owned = '"kitchen_id" uuid not null references "kitchen" ("id"), "actor_id" uuid not null references "actor" ("id"), "created_at" timestamptz not null, "updated_at" timestamptz not null'
    this.addSql('create table "kitchen" ("id" uuid not null, "actor_id" uuid not null, "name" varchar(255) not null, "version" int not null, "settings" jsonb not null, "created_at" timestamptz not null, "updated_at" timestamptz not null, constraint "kitchen_pkey" primary key ("id"))')
    this.addSql('create table "actor" ("id" uuid not null, "kitchen_id" uuid not null, "name" varchar(255) not null, "created_at" timestamptz not null, constraint "actor_pkey" primary key ("id"))')
    this.addSql(`create table "place" ("id" uuid not null, ${owned}, "name" varchar(255) not null, "kind" varchar(255) not null, "air_temp_c" double precision not null, "position" int not null, constraint "place_pkey" primary key ("id"))`)
    this.addSql(`create table "vessel" ("id" uuid not null, ${owned}, "name" varchar(255) not null, "kind" varchar(255) not null, "material" varchar(255) not null, "length_m" double precision not null, "width_m" double precision not null, "height_m" double precision not null, "position" int not null, constraint "vessel_pkey" primary key ("id"))`)
    this.addSql(`create table "lot" ("id" uuid not null, ${owned}, "name" varchar(255) not null, "ingredient_id" varchar(255) not null, "acid_percent" double precision not null, "p_h" double precision null, "use_by" varchar(10) null, constraint "lot_pkey" primary key ("id"))`)
    this.addSql(`create table "formula" ("id" uuid not null, ${owned}, "name" varchar(255) not null, "document" jsonb not null, "schema_version" int not null, "version" int not null, "last_mutation_id" uuid null, "demo" boolean not null, "position" int not null, "deleted_at" timestamptz null, "result" jsonb null, "result_engine" varchar(255) null, "result_kitchen_version" int null, constraint "formula_pkey" primary key ("id"))`)
    this.addSql('create index "formula_kitchen_id_deleted_at_index" on "formula" ("kitchen_id", "deleted_at")')
    this.addSql('create table "formula_version" ("id" uuid not null, "kitchen_id" uuid not null references "kitchen" ("id"), "actor_id" uuid not null references "actor" ("id"), "created_at" timestamptz not null, "formula_id" uuid not null references "formula" ("id"), "parent_id" uuid null references "formula_version" ("id"), "label" varchar(255) not null, "document" jsonb not null, "schema_version" int not null, "engine_version" varchar(255) not null, "result" jsonb null, constraint "formula_version_pkey" primary key ("id"))')
    this.addSql('create index "formula_version_formula_id_index" on "formula_version" ("formula_id")')
    // Immutable means immutable: a version is never changed once written.
    this.addSql(`create function "formula_version_is_immutable"() returns trigger language plpgsql as $$ begin raise exception 'a formula version is never changed'; end $$`)
    this.addSql('create trigger "formula_version_immutable" before update on "formula_version" for each row execute function "formula_version_is_immutable"()')
  }

  override down(): void {
    for (const table of ['formula_version', 'formula', 'lot', 'vessel', 'place', 'actor', 'kitchen']) this.addSql(`drop table if exists "${table}" cascade`)
    this.addSql('drop function if exists "formula_version_is_immutable"')
  }
}
