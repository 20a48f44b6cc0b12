import { Migration } from '@mikro-orm/migrations'

/**
 * Files that long work wrote, in parts, until they are a day old; whoever waits for work is told when it moves
 * on. One family of a large kitchen's shelf, and the batches of one formula, are found without reading
 * all there are.
 */
export class Migration0012 extends Migration {
  override up(): void {
    this.addSql('create index "formula_school_index" on "formula" ("kitchen_id", "school", "updated_at", "position", "id", "trouble") where "deleted_at" is null')
    this.addSql('create table "work_file" ("work_id" uuid not null references "work" ("id") on delete cascade, "number" int not null, "kitchen_id" uuid not null references "kitchen" ("id"), "actor_id" uuid not null references "actor" ("id"), "created_at" timestamptz not null, "part" text not null, constraint "work_file_pkey" primary key ("work_id", "number"))')
    this.addSql('create index "work_file_kitchen_id_index" on "work_file" ("kitchen_id")')
    this.addSql('alter table "work_file" enable row level security')
    this.addSql('create policy "work_file_own" on "work_file" to lumbik_app using (("kitchen_id" = (select lumbik_kitchen()))) with check (("kitchen_id" = (select lumbik_kitchen())))')
    this.addSql('create trigger "work_notes_insert" after insert on "work" for each row execute function "note_change"(\'work\', \'id\', \'head\')')
    this.addSql('create trigger "work_notes_update" after update on "work" for each row when (old."state" is distinct from new."state") execute function "note_change"(\'work\', \'id\', \'head\')')
    this.addSql('create index "batch_of_formula_index" on "batch" ("kitchen_id", "formula_id", "started_at", "id")')
  }

  override down(): void {
    this.addSql('drop index if exists "formula_school_index"')
    this.addSql('drop index if exists "batch_of_formula_index"')
    for (const on of ['insert', 'update']) this.addSql(`drop trigger if exists "work_notes_${on}" on "work"`)
    this.addSql('drop table if exists "work_file"')
  }
}
