ALTER TABLE `studies` ADD `name` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `studies` ADD `place` integer DEFAULT 0 NOT NULL;