CREATE TABLE "build_summaries" (
	"build" uuid PRIMARY KEY NOT NULL,
	"shop" text NOT NULL,
	"seq" bigint NOT NULL,
	"reckoning" text NOT NULL,
	"summary" jsonb NOT NULL,
	"unsound" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "pulse" (
	"id" integer PRIMARY KEY NOT NULL,
	"at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "build_summaries" ADD CONSTRAINT "build_summaries_build_builds_id_fk" FOREIGN KEY ("build") REFERENCES "public"."builds"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "build_summaries" ADD CONSTRAINT "build_summaries_shop_shops_id_fk" FOREIGN KEY ("shop") REFERENCES "public"."shops"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "entries_by_seq" ON "entries" USING btree ("build","seq");--> statement-breakpoint
CREATE INDEX "entries_by_kind" ON "entries" USING btree ("build","kind");