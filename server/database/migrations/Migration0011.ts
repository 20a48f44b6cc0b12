import { Migration } from '@mikro-orm/migrations'

/** Whose rows are asked for by kitchen: found without reading those of all others. */
const BY_KITCHEN = ['actor', 'place', 'vessel', 'equipment', 'lot', 'device', 'shared_link']
/** What was walled then, by the column that says whose a row is. */
const WALLED: readonly [string, string][] = [
  ...[
    'actor', 'place', 'vessel', 'equipment', 'lot', 'formula', 'occasion', 'formula_version', 'mutation', 'batch',
    'batch_event', 'reading', 'batch_text', 'batch_photo', 'device', 'calibration', 'learned_set', 'work', 'day', 'audit',
    'change_note', 'presence',
  ].map((table): [string, string] => [table, 'kitchen_id']),
  ['kitchen', 'id'],
]
const ID = '^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$'
/** How much is the matter with a formula, by what it was last worked out to be; as the shelf sorts it. */
const TROUBLE = `(case when not new.readable then 2 when new.result is null then 1
  when new.result->>'code' = 'good' and (new.result->>'safe')::boolean then 0 else 2 end)`

/**
 * Lists of one kitchen among hundreds. Row security lets an index be used only for comparisons that give nothing away
 * by failing; what is looked for by text or in a list is found by functions of the tables' owner, which look in the
 * kitchen of the work in hand and nowhere else, and answer ids.
 */
export class Migration0011 extends Migration {
  override up(): void {
    // Asked once a query, not once a row.
    const mine = (column: string) => `("${column}" = (select lumbik_kitchen()))`
    for (const [table, column] of WALLED)
      this.addSql(`alter policy "${table}_own" on "${table}" using ${mine(column)} with check ${mine(column)}`)
    for (const table of BY_KITCHEN) this.addSql(`create index "${table}_kitchen_id_index" on "${table}" ("kitchen_id")`)

    // What a formula names of the kitchen, and how much is the matter with it, beside its document.
    this.addSql('alter table "formula" add column "things" text[] not null default \'{}\', add column "trouble" smallint not null default 1')
    this.addSql(`create function "formula_shows"() returns trigger language plpgsql as $$ begin
      new.trouble := ${TROUBLE};
      if tg_op = 'INSERT' or new.document is distinct from old.document then
        new.things := coalesce((select array_agg(distinct v #>> '{}') from jsonb_path_query(new.document, '$.** ? (@.type() == "string" && @ like_regex "${ID}")') v), '{}');
      end if; return new; end $$`)
    this.addSql('create trigger "formula_shows" before insert or update of "document", "result", "readable" on "formula" for each row execute function "formula_shows"()')
    this.addSql(`update "formula" set "readable" = "readable"`)
    this.addSql(`update "formula" set "things" = coalesce((select array_agg(distinct v #>> '{}') from jsonb_path_query("document", '$.** ? (@.type() == "string" && @ like_regex "${ID}")') v), '{}')`)
    this.addSql('create index "formula_trouble_index" on "formula" ("kitchen_id", "trouble", "updated_at", "position", "id") where "deleted_at" is null')

    for (const name of ['batch_name_index', 'batch_faults_index', 'batch_lots_index'])
      this.addSql(`drop index if exists "${name}"`)
    const gin = (table: string, column: string, ops = '') =>
      `create index "${table}_found_${column}_index" on "${table}" using gin ("kitchen_id", "${column}" ${ops});`
    // Where PostgreSQL comes without these it is slower, and works.
    this.addSql(`do $$ begin create extension if not exists btree_gin; create extension if not exists pg_trgm;
      ${gin('batch', 'name', 'gin_trgm_ops')} ${gin('batch', 'faults')} ${gin('batch', 'lots')}
      ${gin('formula', 'name', 'gin_trgm_ops')} ${gin('formula', 'things')}
      exception when undefined_file or feature_not_supported or insufficient_privilege then raise notice 'no such indexes: %', sqlerrm; end $$`)
    // A kept state that a batch was made by stays: asked of each before it goes.
    this.addSql('create index "batch_version_id_index" on "batch" ("version_id")')
    this.addSql('create index "batch_done_index" on "batch" ("kitchen_id") where "is_done"')
    this.addSql('create index "batch_going_index" on "batch" ("kitchen_id", "started_at", "id") where not "is_done"')
    const found = (name: string, of: string, table: string, condition: string) =>
      this.addSql(`create function lumbik_${name}("wanted" ${of}) returns setof uuid language sql stable security definer set search_path = public as $$
        select id from "${table}" where kitchen_id = lumbik_kitchen() and ${condition} $$`)
    found('batches_named', 'text', 'batch', 'name ilike wanted')
    found('batches_with_fault', 'text', 'batch', 'faults @> array[wanted]')
    found('batches_of_lot', 'text', 'batch', 'lots @> array[wanted]')
    found('formulas_named', 'text', 'formula', 'name ilike wanted')
    found('formulas_with', 'text', 'formula', 'things @> array[wanted] and deleted_at is null')

    // Work whose server went silent is looked for in all kitchens at once: its ids, and nothing else of it.
    this.addSql('create index "work_unfinished_index" on "work" ("updated_at") where "state" in (\'waiting\', \'going\')')
    this.addSql(`create function lumbik_silent_work("silent" interval) returns table ("id" uuid, "kitchen_id" uuid) language sql stable security definer set search_path = public as $$
      select w.id, w.kitchen_id from work w where w.state in ('waiting', 'going') and w.updated_at < now() - silent order by w.updated_at limit 50 $$`)
  }

  override down(): void {
    for (const f of ['batches_named(text)', 'batches_with_fault(text)', 'batches_of_lot(text)', 'formulas_named(text)', 'formulas_with(text)', 'silent_work(interval)'])
      this.addSql(`drop function if exists lumbik_${f}`)
    for (const index of ['batch_found_name', 'batch_found_faults', 'batch_found_lots', 'formula_found_name', 'formula_found_things', 'batch_version_id', 'batch_done', 'batch_going', 'formula_trouble', 'work_unfinished', ...BY_KITCHEN.map(t => `${t}_kitchen_id`)])
      this.addSql(`drop index if exists "${index}_index"`)
    this.addSql('drop trigger if exists "formula_shows" on "formula"')
    this.addSql('drop function if exists "formula_shows"')
    this.addSql('alter table "formula" drop column "things", drop column "trouble"')
  }
}
