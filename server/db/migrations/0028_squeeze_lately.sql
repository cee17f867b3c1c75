-- What was measured last, whatever the machine: a run of low readings may be the gauge's.
CREATE INDEX squeeze_lately ON squeeze (noted_at DESC);
