CREATE TABLE `__old_ledger` AS SELECT * FROM `ledger`;
--> statement-breakpoint
DROP TABLE `ledger`;
--> statement-breakpoint
DROP TABLE `accepted`;
--> statement-breakpoint
DROP TABLE `hand_steps`;
--> statement-breakpoint
CREATE TABLE `__new_runs` (
	`id` text PRIMARY KEY NOT NULL,
	`shell_id` text NOT NULL,
	`before_version` text NOT NULL,
	`after_version` text,
	`kind` text DEFAULT 'plan' NOT NULL,
	`package_name` text,
	`package_hash` text,
	`state` text NOT NULL,
	`seal` text DEFAULT '' NOT NULL,
	`edits_blob` text,
	`summary` text,
	`audit_before` text,
	`started_at` text NOT NULL,
	`finished_at` text,
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`before_version`) REFERENCES `versions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`after_version`) REFERENCES `versions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`audit_before`) REFERENCES `audits`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
INSERT INTO `__new_runs`("id", "shell_id", "before_version", "after_version", "kind", "package_name", "package_hash", "state", "seal", "edits_blob", "summary", "audit_before", "started_at", "finished_at") SELECT "id", "shell_id", "before_version", "after_version", "kind", "package_name", "package_hash", "state", '', "edits_blob", "summary", NULL, "started_at", "finished_at" FROM `runs`;
--> statement-breakpoint
DROP TABLE `runs`;
--> statement-breakpoint
ALTER TABLE `__new_runs` RENAME TO `runs`;
--> statement-breakpoint
CREATE INDEX `runs_by_shell` ON `runs` (`shell_id`,`started_at`);
--> statement-breakpoint
DROP TABLE `audits`;
--> statement-breakpoint
CREATE TABLE `audits` (
	`id` text PRIMARY KEY NOT NULL,
	`shell_id` text NOT NULL,
	`version_id` text NOT NULL,
	`counts` text NOT NULL,
	`checks` text NOT NULL,
	`tally` text NOT NULL,
	`milliseconds` integer NOT NULL,
	`rules_key` text DEFAULT '' NOT NULL,
	`combed_at` text NOT NULL,
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`version_id`) REFERENCES `versions`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `audits_by_version` ON `audits` (`version_id`);
--> statement-breakpoint
CREATE TABLE `findings` (
	`audit_id` text NOT NULL,
	`id` text NOT NULL,
	`place` integer NOT NULL,
	`check` text NOT NULL,
	`family` text NOT NULL,
	`substance` text NOT NULL,
	`listed` text NOT NULL,
	`evidence` text NOT NULL,
	`step` text,
	`others` text NOT NULL,
	PRIMARY KEY(`audit_id`, `id`),
	FOREIGN KEY (`audit_id`) REFERENCES `audits`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `findings_by_place` ON `findings` (`audit_id`,`place`);
--> statement-breakpoint
CREATE TABLE `operations` (
	`run_id` text NOT NULL,
	`sequence` integer NOT NULL,
	`key` text NOT NULL,
	`action` text NOT NULL,
	`targets` text NOT NULL,
	`titles` text NOT NULL,
	`step` text,
	`state` text NOT NULL,
	`reason` text,
	`tries` integer DEFAULT 0 NOT NULL,
	`at` text NOT NULL,
	`undone_at` text,
	PRIMARY KEY(`run_id`, `sequence`),
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `operations_by_key` ON `operations` (`key`);
--> statement-breakpoint
INSERT INTO `operations`("run_id", "sequence", "key", "action", "targets", "titles", "step", "state", "reason", "tries", "at", "undone_at")
SELECT "run_id", "id", 'ledger-' || "id", "action", "targets", "titles", NULL,
  CASE WHEN "outcome" IN ('blocked', 'nothing') THEN "outcome" ELSE 'done' END, "reason", 1, "at",
  (SELECT "at" FROM `__old_ledger` AS u WHERE u."run_id" = l."run_id" AND u."direction" = 'undo' LIMIT 1)
FROM `__old_ledger` AS l WHERE "direction" = 'do';
--> statement-breakpoint
DROP TABLE `__old_ledger`;
--> statement-breakpoint
CREATE TABLE `plan_steps` (
	`id` text PRIMARY KEY NOT NULL,
	`shell_id` text NOT NULL,
	`place` integer NOT NULL,
	`finding_id` text,
	`how` text NOT NULL,
	`action` text NOT NULL,
	`step` text NOT NULL,
	`added_at` text NOT NULL,
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `plan_steps_by_finding` ON `plan_steps` (`shell_id`,`finding_id`);
--> statement-breakpoint
CREATE INDEX `plan_steps_by_place` ON `plan_steps` (`shell_id`,`place`);
--> statement-breakpoint
CREATE TABLE `rehearsals` (
	`shell_id` text PRIMARY KEY NOT NULL,
	`version_id` text NOT NULL,
	`plan_key` text NOT NULL,
	`seal` text NOT NULL,
	`steps` text NOT NULL,
	`view` text NOT NULL,
	`rehearsed_at` text NOT NULL,
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
DELETE FROM `jobs`;
--> statement-breakpoint
ALTER TABLE `jobs` ADD `input` text DEFAULT 'null' NOT NULL;
--> statement-breakpoint
ALTER TABLE `jobs` ADD `tries` integer DEFAULT 0 NOT NULL;
--> statement-breakpoint
CREATE INDEX `jobs_by_state` ON `jobs` (`state`);
--> statement-breakpoint
CREATE INDEX `jobs_by_shell` ON `jobs` (`shell_id`,`kind`);
--> statement-breakpoint
ALTER TABLE `shells` ADD `plan_size` integer DEFAULT 0 NOT NULL;
--> statement-breakpoint
ALTER TABLE `shells` ADD `plan_key` text DEFAULT '' NOT NULL;
--> statement-breakpoint
ALTER TABLE `versions` ADD `parent_id` text;
--> statement-breakpoint
ALTER TABLE `versions` ADD `kind` text DEFAULT 'read' NOT NULL;
--> statement-breakpoint
ALTER TABLE `versions` ADD `label` text DEFAULT '' NOT NULL;
