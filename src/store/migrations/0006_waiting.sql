CREATE TABLE `waiting` (
	`course` text NOT NULL,
	`check` text NOT NULL,
	`substance` text NOT NULL,
	`kind` text NOT NULL,
	`decided_at` text NOT NULL,
	PRIMARY KEY(`course`, `check`, `substance`)
);
--> statement-breakpoint
ALTER TABLE `leave_bes` ADD `reason` text;