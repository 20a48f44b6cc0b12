import { Migration } from '@mikro-orm/migrations'

/**
 * What changes is noted as it is written, in the writer's own transaction, and whoever listens is woken: so devices
 * hear of one another, on whichever server they hang. And who is where at present.
 */
export class Migration0009 extends Migration {
  override up(): void {
    const kitchen = '"kitchen_id" uuid not null references "kitchen" ("id")'
    this.addSql(`create table "change_note" ("id" bigserial not null, "tx" bigint not null, ${kitchen}, "created_at" timestamptz not null default now(), "kind" varchar(12) not null, "target" varchar(60) not null, "version" int not null, constraint "change_note_pkey" primary key ("id"))`)
    this.addSql('create index "change_note_kitchen_id_tx_id_index" on "change_note" ("kitchen_id", "tx", "id")')
    this.addSql(`create table "presence" ("id" uuid not null, ${kitchen}, "name" varchar(60) not null, "place" varchar(60) not null, "seen_at" timestamptz not null, constraint "presence_pkey" primary key ("id"))`)
    this.addSql('create index "presence_kitchen_id_index" on "presence" ("kitchen_id")')
    this.addSql(`create function "note_change"() returns trigger language plpgsql as $$ declare row_ jsonb := to_jsonb(new); begin
      insert into change_note (tx, kitchen_id, kind, target, version) values (pg_current_xact_id()::text::bigint, coalesce(row_->>'kitchen_id', row_->>'id')::uuid, tg_argv[0],
        row_->>tg_argv[1], coalesce((row_->>tg_argv[2])::int, 0));
      perform pg_notify('lumbik_changes', coalesce(row_->>'kitchen_id', row_->>'id')); return null; end $$`)
    const notes = (table: string, target: string, version: string, when: string) => {
      this.addSql(`create trigger "${table}_notes_insert" after insert on "${table}" for each row execute function "note_change"('${table}', '${target}', '${version}')`)
      this.addSql(`create trigger "${table}_notes_update" after update on "${table}" for each row when (${when}) execute function "note_change"('${table}', '${target}', '${version}')`)
    }
    const changed = (...columns: string[]) => columns.map(c => `old."${c}" is distinct from new."${c}"`).join(' or ')
    notes('formula', 'id', 'version', changed('version', 'deleted_at', 'name'))
    notes('kitchen', 'id', 'version', changed('version', 'revision', 'learned_set_id'))
    notes('lot', 'id', 'version', changed('version', 'deleted_at'))
    notes('day', 'date', 'version', changed('version'))
    notes('batch', 'id', 'head', changed('head', 'is_done'))
    notes('presence', 'place', 'none', changed('place'))
    for (const table of ['change_note', 'presence']) {
      this.addSql(`alter table "${table}" enable row level security`)
      this.addSql(`create policy "${table}_own" on "${table}" to lumbik_app using ("kitchen_id" = lumbik_kitchen()) with check ("kitchen_id" = lumbik_kitchen())`)
    }
  }

  override down(): void {
    for (const table of ['formula', 'kitchen', 'lot', 'day', 'batch'])
      for (const when of ['insert', 'update']) this.addSql(`drop trigger if exists "${table}_notes_${when}" on "${table}"`)
    this.addSql('drop table if exists "presence"')
    this.addSql('drop table if exists "change_note"')
    this.addSql('drop function if exists "note_change"')
  }
}
