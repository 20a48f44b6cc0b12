import { Migration } from '@mikro-orm/migrations'

/** Vessels that narrow towards the base or are known by the water they hold; ovens, burners and pans of the kitchen. */
export class Migration0003 extends Migration {
  override up(): void {
    this.addSql('alter table "vessel" add column "taper" double precision not null default 1, add column "held_m3" double precision null')
    this.addSql('alter table "vessel" alter column "taper" drop default')
    this.addSql('create table "equipment" ("id" uuid not null, "kitchen_id" uuid not null references "kitchen" ("id"), "actor_id" uuid not null references "actor" ("id"), "created_at" timestamptz not null, "updated_at" timestamptz not null, "kind" varchar(255) not null, "name" varchar(255) not null, "figures" jsonb not null, "position" int not null, constraint "equipment_pkey" primary key ("id"))')
  }

  override down(): void {
    this.addSql('drop table if exists "equipment"')
    for (const column of ['taper', 'held_m3']) this.addSql(`alter table "vessel" drop column "${column}"`)
  }
}
