import { Migration } from '@mikro-orm/migrations'

/** One family of a large kitchen's shelf, and the batches of one formula, are found without reading all there are. */
export class Migration0012 extends Migration {
  override up(): void {
    this.addSql('create index "formula_school_index" on "formula" ("kitchen_id", "school", "updated_at", "position", "id", "trouble") where "deleted_at" is null')
    this.addSql('create index "batch_of_formula_index" on "batch" ("kitchen_id", "formula_id", "started_at", "id")')
  }

  override down(): void {
    this.addSql('drop index if exists "formula_school_index"')
    this.addSql('drop index if exists "batch_of_formula_index"')
  }
}
