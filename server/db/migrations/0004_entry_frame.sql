ALTER TABLE "entries" ADD COLUMN "plan" uuid;--> statement-breakpoint
ALTER TABLE "entries" ADD COLUMN "photos" jsonb;--> statement-breakpoint
ALTER TABLE "entries" ADD COLUMN "undoes" uuid;