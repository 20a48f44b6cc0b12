import { Migration } from '@mikro-orm/migrations'

/** Today: one sheet a day and kitchen. */
export class Migration0007 extends Migration {
  override up(): void {
    const mine = '"kitchen_id" uuid not null references "kitchen" ("id"), "actor_id" uuid not null references "actor" ("id")'
    this.addSql(`create table "day" ("id" uuid not null, ${mine}, "created_at" timestamptz not null, "updated_at" timestamptz not null, "date" varchar(10) not null, "version" int not null, "sheet" jsonb not null, constraint "day_pkey" primary key ("id"))`)
    this.addSql('alter table "day" add constraint "day_kitchen_id_date_unique" unique ("kitchen_id", "date")')
  }

  override down(): void {
    this.addSql('drop table if exists "day"')
  }
}
