import { CameraStep } from '@/features/camera/CameraStep';
import { CheckStep } from '@/features/check/CheckStep';
import { LightsStep } from '@/features/lights/LightsStep';
import { LogPart } from '@/features/log/LogPart';
import { LookStep } from '@/features/look/LookStep';
import { AmbientStep } from '@/features/metering/AmbientStep';
import { StagePart } from '@/features/stage/StagePart';
import type { Part } from '@/setupView/shortcuts';
import { type ComponentType, memo } from 'react';

/** What each part of a setup is made of. */
export const CONTENT: Record<Part, ComponentType> = {
  ambient: memo(AmbientStep),
  look: memo(LookStep),
  camera: memo(CameraStep),
  flash: memo(LightsStep),
  stage: memo(StagePart),
  check: memo(CheckStep),
  log: memo(LogPart),
};
