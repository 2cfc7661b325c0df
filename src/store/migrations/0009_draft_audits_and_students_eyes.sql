CREATE TABLE `students_eyes` (
	`audit_id` text PRIMARY KEY NOT NULL,
	`eye` text NOT NULL,
	FOREIGN KEY (`audit_id`) REFERENCES `audits`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `audits` ADD `is_draft` integer DEFAULT false NOT NULL;