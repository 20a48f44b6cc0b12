import { Migration } from '@mikro-orm/migrations'

/**
 * The Book: batches, what happened in them, readings, texts and pictures that can be taken back, instruments, and what
 * is learned. Events are only ever added: the database itself refuses to change or to delete one.
 */
export class Migration0006 extends Migration {
  override up(): void {
    const mine = '"kitchen_id" uuid not null references "kitchen" ("id"), "actor_id" uuid not null references "actor" ("id")'
    const owned = `${mine}, "created_at" timestamptz not null, "updated_at" timestamptz not null`
    const ofBatch = '"batch_id" uuid not null references "batch" ("id")'
    this.addSql('alter table "kitchen" add column "learned_set_id" uuid null')
    this.addSql(`create table "batch" ("id" uuid not null, ${owned}, "formula_id" uuid not null references "formula" ("id"), "version_id" uuid not null references "formula_version" ("id"), "name" varchar(255) not null, "started_at" timestamptz not null, "clock_at" timestamptz not null, "clock_s" double precision not null, "speed" double precision not null, "frozen" jsonb not null, "simulation" jsonb null, "simulated" boolean not null, "demo" boolean not null, "is_done" boolean not null, "head" int not null, "shown" jsonb null, "lots" text[] not null, "faults" text[] not null, constraint "batch_pkey" primary key ("id"))`)
    this.addSql('create index "batch_kitchen_id_started_at_id_index" on "batch" ("kitchen_id", "started_at", "id")')
    this.addSql('create index "batch_formula_id_started_at_index" on "batch" ("formula_id", "started_at")')
    this.addSql('create index "batch_lots_index" on "batch" using gin ("lots")')
    // Search by any part of a name; where PostgreSQL comes without its trigrams it is slower, and works.
    this.addSql(`do $$ begin create extension if not exists pg_trgm; create index "batch_name_index" on "batch" using gin ("name" gin_trgm_ops); exception when undefined_file or feature_not_supported or insufficient_privilege then raise notice 'no trigrams: %', sqlerrm; end $$`)
    this.addSql('create index "batch_faults_index" on "batch" using gin ("faults")')
    this.addSql(`create table "batch_event" ("id" uuid not null, ${mine}, "created_at" timestamptz not null, ${ofBatch}, "number" int not null, "at_s" double precision not null, "happened" jsonb not null, constraint "batch_event_pkey" primary key ("id"))`)
    this.addSql('alter table "batch_event" add constraint "batch_event_batch_id_number_unique" unique ("batch_id", "number")')
    this.addSql(`create function "batch_event_only_grows"() returns trigger language plpgsql as $$ begin raise exception 'what happened in a batch is never changed; correct it by another event'; end $$`)
    this.addSql('create trigger "batch_event_only_grows" before update or delete on "batch_event" for each row execute function "batch_event_only_grows"()')
    this.addSql('create trigger "batch_event_is_kept" before truncate on "batch_event" for each statement execute function "batch_event_only_grows"()')
    this.addSql(`create table "reading" (${ofBatch}, "device_id" varchar(80) not null, "channel" varchar(16) not null, "from_s" double precision not null, ${mine}, "to_s" double precision not null, "count" int not null, "packed" bytea not null, constraint "reading_pkey" primary key ("batch_id", "device_id", "channel", "from_s"))`)
    this.addSql(`create table "batch_text" ("id" uuid not null, ${mine}, "created_at" timestamptz not null, ${ofBatch}, "text" text null, "redacted_at" timestamptz null, constraint "batch_text_pkey" primary key ("id"))`)
    this.addSql('create index "batch_text_batch_id_index" on "batch_text" ("batch_id")')
    this.addSql(`create table "batch_photo" ("id" uuid not null, ${mine}, "created_at" timestamptz not null, ${ofBatch}, "mime" varchar(40) not null, "bytes" bytea null, "redacted_at" timestamptz null, constraint "batch_photo_pkey" primary key ("id"))`)
    this.addSql('create index "batch_photo_batch_id_index" on "batch_photo" ("batch_id")')
    this.addSql(`create table "device" ("id" uuid not null, ${owned}, "kind" varchar(255) not null, "name" varchar(255) not null, "figures" jsonb not null, "position" int not null, "deleted_at" timestamptz null, constraint "device_pkey" primary key ("id"))`)
    this.addSql(`create table "calibration" ("id" uuid not null, ${mine}, "created_at" timestamptz not null, "batch_ids" text[] not null, "result" jsonb not null, constraint "calibration_pkey" primary key ("id"))`)
    this.addSql('create index "calibration_kitchen_id_created_at_index" on "calibration" ("kitchen_id", "created_at")')
    this.addSql(`create table "learned_set" ("id" uuid not null, ${mine}, "created_at" timestamptz not null, "number" int not null, "calibration_id" uuid not null references "calibration" ("id"), "theta" jsonb not null, constraint "learned_set_pkey" primary key ("id"))`)
    this.addSql('alter table "learned_set" add constraint "learned_set_kitchen_id_number_unique" unique ("kitchen_id", "number")')
    this.addSql(`create table "work" ("id" uuid not null, ${owned}, "kind" varchar(255) not null, "target_id" uuid not null, "state" varchar(255) not null, "progress" double precision not null, "head" int not null, "result" jsonb null, constraint "work_pkey" primary key ("id"))`)
    this.addSql('create index "work_target_id_kind_created_at_index" on "work" ("target_id", "kind", "created_at")')
    this.addSql('alter table "kitchen" add constraint "kitchen_learned_set_id_fkey" foreign key ("learned_set_id") references "learned_set" ("id")')
  }

  override down(): void {
    this.addSql('alter table "kitchen" drop column "learned_set_id"')
    for (const table of ['work', 'learned_set', 'calibration', 'device', 'batch_photo', 'batch_text', 'reading', 'batch_event', 'batch'])
      this.addSql(`drop table if exists "${table}" cascade`)
    this.addSql('drop function if exists "batch_event_only_grows"')
  }
}
