import { Migration } from '@mikro-orm/migrations'

/** Passkeys, with the challenges that were given out. */
export class Migration0010 extends Migration {
  override up(): void {
    const person = 'references "person" ("id") on delete cascade'
    this.addSql(`create table "passkey" ("id" uuid not null, "credential" varchar(400) not null, "person_id" uuid not null ${person}, "public_key" text not null, "counter" bigint not null, "transports" jsonb not null, "label" varchar(60) not null, "created_at" timestamptz not null, "used_at" timestamptz null, constraint "passkey_pkey" primary key ("id"))`)
    this.addSql('alter table "passkey" add constraint "passkey_credential_unique" unique ("credential")')
    this.addSql('create index "passkey_person_id_index" on "passkey" ("person_id")')
    this.addSql(`create table "challenge" ("id" uuid not null, "value" varchar(100) not null, "person_id" uuid null ${person}, "until" timestamptz not null, constraint "challenge_pkey" primary key ("id"))`)
  }

  override down(): void {
    this.addSql('drop table if exists "challenge"')
    this.addSql('drop table if exists "passkey"')
  }
}
