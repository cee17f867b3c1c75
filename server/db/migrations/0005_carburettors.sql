-- What carburettor a model has is asked for with every job: few entries say it.
CREATE INDEX bench_entry_carburettor ON bench_entry (job_id) WHERE kind = 'carburettor';
