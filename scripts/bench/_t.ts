import { ears } from '/work/main/scripts/bench/ear';
ears(9);
