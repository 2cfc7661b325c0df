ALTER TABLE `incomings` ADD `notes_blob` text;--> statement-breakpoint
ALTER TABLE `versions` ADD `notes_blob` text;