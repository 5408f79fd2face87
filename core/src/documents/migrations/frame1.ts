import type { Step } from './step';

/** Version 2 of a frame has its picture apart, under the frame's id. */
export const frame1: Step = ({ image: _image, ...old }) => ({ ...old, version: 2 });
