import { describe, expect, it } from 'vitest';
import { AIR_AND_CASE_CAUSES } from './causes/airAndCase';
import { CARBURETTOR_CAUSES } from './causes/carburettor';
import { FUEL_CAUSES } from './causes/fuel';
import { SCREW_CAUSES } from './causes/screws';
import { SPARK_CAUSES } from './causes/spark';
import { SQUEEZE_AND_DRIVE_CAUSES } from './causes/squeezeAndDrive';
import { AIR_AND_EXHAUST_CHECKS } from './checks/airAndExhaust';
import { CARBURETTOR_CHECKS } from './checks/carburettor';
import { FUEL_CHECKS } from './checks/fuel';
import { RUNNING_CHECKS } from './checks/running';
import { SPARK_CHECKS } from './checks/spark';
import { SQUEEZE_CHECKS } from './checks/squeeze';
import { CAUSE_IDS, CHECK_IDS } from './index';

describe('an id', () => {
  it('stands in one file only: the later would silently take the place of the earlier', () => {
    const causes = [
      FUEL_CAUSES,
      CARBURETTOR_CAUSES,
      SCREW_CAUSES,
      AIR_AND_CASE_CAUSES,
      SPARK_CAUSES,
      SQUEEZE_AND_DRIVE_CAUSES,
    ].flatMap((part) => Object.keys(part));
    const checks = [
      FUEL_CHECKS,
      SPARK_CHECKS,
      SQUEEZE_CHECKS,
      AIR_AND_EXHAUST_CHECKS,
      CARBURETTOR_CHECKS,
      RUNNING_CHECKS,
    ].flatMap((part) => Object.keys(part));
    expect(causes).toHaveLength(CAUSE_IDS.length);
    expect(checks).toHaveLength(CHECK_IDS.length);
  });
});
