CREATE TABLE "own_drill_stress" (
	"drill_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"owner_id" text NOT NULL,
	"rules" text NOT NULL,
	"levels" jsonb NOT NULL,
	CONSTRAINT "own_drill_stress_pk" PRIMARY KEY("drill_id","number")
);
--> statement-breakpoint
ALTER TABLE "own_drill_stress" ADD CONSTRAINT "own_drill_stress_owner_id_coach_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."coach"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "own_drill_stress" ADD CONSTRAINT "own_drill_stress_drill" FOREIGN KEY ("drill_id","owner_id") REFERENCES "public"."own_drill"("id","owner_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "own_drill_stress_owner" ON "own_drill_stress" USING btree ("owner_id");