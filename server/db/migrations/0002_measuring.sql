CREATE TABLE "instrument_checks" (
	"id" uuid PRIMARY KEY NOT NULL,
	"shop" text NOT NULL,
	"instrument" uuid NOT NULL,
	"at" timestamp (3) with time zone NOT NULL,
	"hand" text NOT NULL,
	"known" jsonb NOT NULL,
	"pours" jsonb NOT NULL,
	"result" jsonb NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "shop_rules" (
	"id" uuid PRIMARY KEY NOT NULL,
	"shop" text NOT NULL,
	"hand" text NOT NULL,
	"rules" jsonb NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "instruments" ADD COLUMN "expansion" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "instrument_checks" ADD CONSTRAINT "instrument_checks_shop_shops_id_fk" FOREIGN KEY ("shop") REFERENCES "public"."shops"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "instrument_checks" ADD CONSTRAINT "instrument_checks_instrument_instruments_id_fk" FOREIGN KEY ("instrument") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shop_rules" ADD CONSTRAINT "shop_rules_shop_shops_id_fk" FOREIGN KEY ("shop") REFERENCES "public"."shops"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "checks_by_instrument" ON "instrument_checks" USING btree ("shop","instrument","at");--> statement-breakpoint
CREATE INDEX "rules_by_shop" ON "shop_rules" USING btree ("shop","received_at");--> statement-breakpoint
CREATE TRIGGER instrument_checks_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "instrument_checks"
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_ledger_change();
