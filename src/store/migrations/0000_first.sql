CREATE TABLE `accepted` (
	`shell_id` text NOT NULL,
	`finding_id` text NOT NULL,
	`accepted_at` text NOT NULL,
	PRIMARY KEY(`shell_id`, `finding_id`),
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `audits` (
	`id` text PRIMARY KEY NOT NULL,
	`shell_id` text NOT NULL,
	`version_id` text NOT NULL,
	`audit` text NOT NULL,
	`milliseconds` integer NOT NULL,
	`combed_at` text NOT NULL,
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`version_id`) REFERENCES `versions`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `audits_by_version` ON `audits` (`version_id`);--> statement-breakpoint
CREATE TABLE `hand_steps` (
	`id` text PRIMARY KEY NOT NULL,
	`shell_id` text NOT NULL,
	`position` integer NOT NULL,
	`step` text NOT NULL,
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`shell_id` text,
	`state` text NOT NULL,
	`done` integer NOT NULL,
	`total` integer NOT NULL,
	`doing` text NOT NULL,
	`result` text,
	`trouble` text,
	`created_at` text NOT NULL,
	`finished_at` text
);
--> statement-breakpoint
CREATE TABLE `leave_bes` (
	`course` text NOT NULL,
	`check` text NOT NULL,
	`substance` text NOT NULL,
	`title` text NOT NULL,
	`decided_at` text NOT NULL,
	PRIMARY KEY(`course`, `check`, `substance`)
);
--> statement-breakpoint
CREATE TABLE `ledger` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`run_id` text NOT NULL,
	`direction` text NOT NULL,
	`action` text NOT NULL,
	`targets` text NOT NULL,
	`titles` text NOT NULL,
	`outcome` text NOT NULL,
	`reason` text,
	`at` text NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `ledger_by_run` ON `ledger` (`run_id`);--> statement-breakpoint
CREATE TABLE `runs` (
	`id` text PRIMARY KEY NOT NULL,
	`shell_id` text NOT NULL,
	`before_version` text NOT NULL,
	`after_version` text NOT NULL,
	`state` text NOT NULL,
	`edits_blob` text NOT NULL,
	`summary` text NOT NULL,
	`audit_before` text,
	`started_at` text NOT NULL,
	`finished_at` text NOT NULL,
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`before_version`) REFERENCES `versions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`after_version`) REFERENCES `versions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`audit_before`) REFERENCES `audits`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `shells` (
	`id` text PRIMARY KEY NOT NULL,
	`code` text NOT NULL,
	`title` text NOT NULL,
	`term_title` text NOT NULL,
	`term_start` text,
	`term_end` text,
	`as_of` text NOT NULL,
	`role` text NOT NULL,
	`version_id` text NOT NULL,
	`created_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `versions` (
	`id` text PRIMARY KEY NOT NULL,
	`shell_id` text NOT NULL,
	`state_blob` text NOT NULL,
	`fingerprint` text NOT NULL,
	`inventory` text NOT NULL,
	`sketch` text NOT NULL,
	`intake` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`shell_id`) REFERENCES `shells`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `versions_by_shell` ON `versions` (`shell_id`);