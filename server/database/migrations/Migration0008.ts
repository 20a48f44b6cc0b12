import { Migration } from '@mikro-orm/migrations'
import { APP_ROLE } from '../wall'

/** What was walled then. */
const WALLED = [
  'actor', 'place', 'vessel', 'equipment', 'lot', 'formula', 'occasion', 'formula_version', 'mutation', 'batch',
  'batch_event', 'reading', 'batch_text', 'batch_photo', 'device', 'calibration', 'learned_set', 'work', 'day', 'audit',
]

/**
 * People and doors: who signs in, where they belong, tablets, invitations, links, what was done; and the second wall,
 * row-level security on every table that is a kitchen's. Only the owner of the tables passes it.
 */
export class Migration0008 extends Migration {
  override up(): void {
    const kitchen = '"kitchen_id" uuid not null references "kitchen" ("id")'
    const at = (...names: string[]) => names.map(n => `"${n}" timestamptz null`).join(', ')
    const made = '"created_at" timestamptz not null'
    this.addSql(`create table "person" ("id" uuid not null, "login" varchar(120) not null, "name" varchar(60) not null, "password" text null, "codes" jsonb not null, ${made}, constraint "person_pkey" primary key ("id"))`)
    this.addSql('alter table "person" add constraint "person_login_unique" unique ("login")')
    this.addSql(`create table "membership" ("id" uuid not null, "person_id" uuid not null references "person" ("id") on delete cascade, ${kitchen}, "actor_id" uuid not null references "actor" ("id"), "role" varchar(12) not null, "pin" text null, ${made}, ${at('ended_at')}, constraint "membership_pkey" primary key ("id"))`)
    this.addSql('alter table "membership" add constraint "membership_person_id_kitchen_id_unique" unique ("person_id", "kitchen_id")')
    this.addSql('create index "membership_kitchen_id_index" on "membership" ("kitchen_id")')
    this.addSql(`create table "tablet" ("id" uuid not null, ${kitchen}, "name" varchar(60) not null, "code" varchar(64) null, ${at('code_until')}, ${made}, ${at('enrolled_at', 'ended_at')}, constraint "tablet_pkey" primary key ("id"))`)
    this.addSql('create index "tablet_kitchen_id_index" on "tablet" ("kitchen_id")')
    this.addSql(`create table "door_session" ("id" uuid not null, ${kitchen}, "membership_id" uuid null references "membership" ("id") on delete cascade, "tablet_id" uuid null references "tablet" ("id"), "label" varchar(120) not null, ${made}, "seen_at" timestamptz not null, ${at('ended_at')}, constraint "door_session_pkey" primary key ("id"))`)
    this.addSql('create index "door_session_kitchen_id_index" on "door_session" ("kitchen_id")')
    this.addSql('create index "door_session_membership_id_index" on "door_session" ("membership_id")')
    this.addSql(`create table "invitation" ("id" uuid not null, ${kitchen}, "role" varchar(12) not null, "name" varchar(60) not null, "token" varchar(64) not null, "until" timestamptz not null, ${made}, ${at('used_at', 'ended_at')}, constraint "invitation_pkey" primary key ("id"))`)
    this.addSql('alter table "invitation" add constraint "invitation_token_unique" unique ("token")')
    this.addSql(`create table "shared_link" ("id" uuid not null, ${kitchen}, "kind" varchar(12) not null, "target" varchar(40) not null, "token" varchar(64) not null, "until" timestamptz not null, ${made}, ${at('ended_at')}, constraint "shared_link_pkey" primary key ("id"))`)
    this.addSql('alter table "shared_link" add constraint "shared_link_token_unique" unique ("token")')
    this.addSql('create table "attempt" ("key" varchar(80) not null, "count" int not null, "at" timestamptz not null, constraint "attempt_pkey" primary key ("key"))')
    this.addSql(`create table "audit" ("id" uuid not null, ${kitchen}, "actor_id" uuid null references "actor" ("id"), ${made}, "what" varchar(80) not null, "about" varchar(120) null, constraint "audit_pkey" primary key ("id"))`)
    this.addSql('create index "audit_kitchen_id_created_at_index" on "audit" ("kitchen_id", "created_at")')
    // What cookies are sealed with: the same for every server on this database, read by the tables' owner only.
    this.addSql('create table "server_secret" ("name" varchar(20) not null, "value" varchar(120) not null, constraint "server_secret_pkey" primary key ("name"))')
    this.addSql(`create function "audit_only_grows"() returns trigger language plpgsql as $$ begin raise exception 'what was done is never changed'; end $$`)
    this.addSql('create trigger "audit_only_grows" before update or delete on "audit" for each row execute function "audit_only_grows"()')
    this.addSql(`do $$ begin if not exists (select from pg_roles where rolname = '${APP_ROLE}') then create role ${APP_ROLE} nologin;
      end if; exception when duplicate_object or unique_violation then null; end $$`)
    this.addSql(`create function lumbik_kitchen() returns uuid language sql stable as $$ select nullif(current_setting('lumbik.kitchen', true), '')::uuid $$`)
    this.addSql('create function lumbik_kitchens() returns setof uuid language sql stable security definer set search_path = public as $$ select id from kitchen order by created_at, id $$')
    for (const table of WALLED) {
      this.addSql(`alter table "${table}" enable row level security`)
      this.addSql(`create policy "${table}_own" on "${table}" to ${APP_ROLE} using ("kitchen_id" = lumbik_kitchen()) with check ("kitchen_id" = lumbik_kitchen())`)
    }
    this.addSql('alter table "kitchen" enable row level security')
    this.addSql(`create policy "kitchen_own" on "kitchen" to ${APP_ROLE} using ("id" = lumbik_kitchen()) with check ("id" = lumbik_kitchen())`)
  }

  override down(): void {
    for (const table of ['kitchen', ...WALLED]) {
      this.addSql(`drop policy if exists "${table}_own" on "${table}"`)
      this.addSql(`alter table "${table}" disable row level security`)
    }
    this.addSql('drop function if exists lumbik_kitchens()')
    this.addSql('drop function if exists lumbik_kitchen()')
    for (const table of ['server_secret', 'audit', 'attempt', 'shared_link', 'invitation', 'door_session', 'tablet', 'membership', 'person'])
      this.addSql(`drop table if exists "${table}" cascade`)
    this.addSql('drop function if exists "audit_only_grows"')
  }
}
