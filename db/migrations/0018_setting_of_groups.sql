-- A part of what stands beside a session has another name: whose group it is for.
UPDATE "training_session" SET "setting_marks" = ("setting_marks" - 'teamId') || jsonb_build_object('groupId', "setting_marks" -> 'teamId') WHERE "setting_marks" ? 'teamId';
