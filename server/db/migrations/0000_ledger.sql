CREATE TABLE "builds" (
	"id" uuid PRIMARY KEY NOT NULL,
	"shop" text NOT NULL,
	"name" text NOT NULL,
	"reference" text NOT NULL,
	"hand" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "entries" (
	"id" uuid PRIMARY KEY NOT NULL,
	"shop" text NOT NULL,
	"build" uuid NOT NULL,
	"seq" bigserial NOT NULL,
	"at" timestamp (3) with time zone NOT NULL,
	"hand" text NOT NULL,
	"kind" text NOT NULL,
	"v" integer NOT NULL,
	"scope" jsonb NOT NULL,
	"body" jsonb NOT NULL,
	"note" text,
	"supersedes" uuid,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "instruments" (
	"id" uuid PRIMARY KEY NOT NULL,
	"shop" text NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"capacity" double precision NOT NULL,
	"tolerance" double precision NOT NULL,
	"resolution" double precision NOT NULL,
	"scale" text NOT NULL,
	"film" double precision NOT NULL,
	"repeatability" double precision NOT NULL,
	"hand" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "shops" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"demo_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "builds" ADD CONSTRAINT "builds_shop_shops_id_fk" FOREIGN KEY ("shop") REFERENCES "public"."shops"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entries" ADD CONSTRAINT "entries_shop_shops_id_fk" FOREIGN KEY ("shop") REFERENCES "public"."shops"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entries" ADD CONSTRAINT "entries_build_builds_id_fk" FOREIGN KEY ("build") REFERENCES "public"."builds"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entries" ADD CONSTRAINT "entries_supersede_an_entry" FOREIGN KEY ("supersedes") REFERENCES "public"."entries"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "instruments" ADD CONSTRAINT "instruments_shop_shops_id_fk" FOREIGN KEY ("shop") REFERENCES "public"."shops"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "builds_by_shop" ON "builds" USING btree ("shop","created_at");--> statement-breakpoint
CREATE INDEX "entries_by_build" ON "entries" USING btree ("shop","build","at","seq");--> statement-breakpoint
CREATE UNIQUE INDEX "entries_superseded_once" ON "entries" USING btree ("supersedes");--> statement-breakpoint
CREATE INDEX "instruments_by_shop" ON "instruments" USING btree ("shop","created_at");