import { useKeeper } from '@/store/application';
import { useEffect, useState } from 'react';

/** The picture of a test frame; undefined while it is looked for, null where there is none to be had. */
export function useFrameImage(frameId: string): string | null | undefined {
  const keeper = useKeeper();
  const [image, setImage] = useState<string | null>();
  useEffect(() => {
    let gone = false;
    void keeper.image(frameId).then((found) => {
      if (!gone) setImage(found);
    });
    return () => {
      gone = true;
    };
  }, [keeper, frameId]);
  return image;
}
