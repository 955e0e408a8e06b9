ALTER TABLE `series` ADD `quantity` text DEFAULT 'flow' NOT NULL;--> statement-breakpoint
ALTER TABLE `studies` ADD `to_begin` integer DEFAULT false NOT NULL;