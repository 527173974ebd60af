CREATE TABLE "photographs" (
	"shop" text NOT NULL,
	"sha256" text NOT NULL,
	"bytes" "bytea" NOT NULL,
	"small" "bytea" NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "photographs_shop_sha256_pk" PRIMARY KEY("shop","sha256")
);
--> statement-breakpoint
ALTER TABLE "photographs" ADD CONSTRAINT "photographs_shop_shops_id_fk" FOREIGN KEY ("shop") REFERENCES "public"."shops"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE TRIGGER photographs_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "photographs"
  FOR EACH STATEMENT EXECUTE FUNCTION refuse_ledger_change();
