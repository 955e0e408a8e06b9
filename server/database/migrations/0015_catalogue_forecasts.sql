ALTER TABLE `catalogue_rows` ADD `against` text;--> statement-breakpoint
ALTER TABLE `catalogue_rows` ADD `forecast` text;