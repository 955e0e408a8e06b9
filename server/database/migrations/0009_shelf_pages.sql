ALTER TABLE `vintages` ADD `summary` text DEFAULT '{"periods":0,"missing":0,"last":null}' NOT NULL;--> statement-breakpoint
CREATE INDEX `series_by_name` ON `series` (substr(`name`, 1, 200), `id`);--> statement-breakpoint
DROP TRIGGER `vintages_never_change`;--> statement-breakpoint
-- Figures go from list to summary as they are written: read and written again, they would lose digits.
WITH `present` AS (
	SELECT `one`.`id`, `one`.`values`, max(`entry`.`key`) AS `last`
	FROM `vintages` AS `one`, json_each(`one`.`values`) AS `entry`
	WHERE `entry`.`type` <> 'null'
	GROUP BY `one`.`id`
)
UPDATE `vintages` SET `summary` = json_object(
	'periods', json_array_length(`values`),
	'missing', (SELECT count(*) FROM json_each(`vintages`.`values`) AS `entry` WHERE `entry`.`type` = 'null'),
	'last', (
		SELECT json_object(
			't', `present`.`last` + 1,
			'value', json(`present`.`values` -> `present`.`last`),
			'yearBefore', json(`present`.`values` -> nullif(max(`present`.`last` - `series`.`seasons`, -1), -1))
		)
		FROM `present`, `series`
		WHERE `present`.`id` = `vintages`.`id` AND `series`.`id` = `vintages`.`series_id`
	)
);--> statement-breakpoint
CREATE TRIGGER `vintages_never_change` BEFORE UPDATE ON `vintages`
BEGIN
	SELECT RAISE(ABORT, 'The original values of a series never change.');
END;
