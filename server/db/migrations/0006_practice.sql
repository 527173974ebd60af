CREATE TABLE "practice_readings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"shop" text NOT NULL,
	"hand" text NOT NULL,
	"kind" text NOT NULL,
	"truth" double precision NOT NULL,
	"given" double precision,
	"slip" text,
	"at" timestamp (3) with time zone NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "school_choices" (
	"id" uuid PRIMARY KEY NOT NULL,
	"shop" text NOT NULL,
	"hand" text NOT NULL,
	"topic" text NOT NULL,
	"school" text NOT NULL,
	"why" text NOT NULL,
	"builds" jsonb NOT NULL,
	"at" timestamp (3) with time zone NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "practice_readings" ADD CONSTRAINT "practice_readings_shop_shops_id_fk" FOREIGN KEY ("shop") REFERENCES "public"."shops"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "school_choices" ADD CONSTRAINT "school_choices_shop_shops_id_fk" FOREIGN KEY ("shop") REFERENCES "public"."shops"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "practice_by_hand" ON "practice_readings" USING btree ("shop","hand","at");--> statement-breakpoint
CREATE INDEX "choices_by_topic" ON "school_choices" USING btree ("shop","topic","at");--> statement-breakpoint
CREATE TRIGGER practice_readings_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "practice_readings"
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_ledger_change();--> statement-breakpoint
CREATE TRIGGER school_choices_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "school_choices"
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_ledger_change();
