-- How a job leaves its machine: screws, gap, what was told and chosen, papers and pictures. Cards of before are made anew.
ALTER TABLE job_card ADD COLUMN leaving jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(leaving) = 'object');
