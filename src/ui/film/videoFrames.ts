/**
 * A camera's pictures as frames, where the browser hands them out only by showing them: those that
 * its video shows, each once, on the clock on which they were taken.
 *
 * @returns the port on which they come, as a stand-in camera's do, and what ends it
 */
export async function videoFrames(
  stream: MediaStream,
): Promise<{ port: MessagePort; end: () => void }> {
  const { port1, port2 } = new MessageChannel();
  const video = document.createElement("video");
  Object.assign(video, { srcObject: stream, muted: true, playsInline: true });
  await video.play();
  let ended = false;
  const next = () =>
    void video.requestVideoFrameCallback((_, shown) => {
      if (ended) return;
      // A browser that does not know when a picture was taken knows when it is shown: evenly later.
      const frame = new VideoFrame(video, {
        timestamp: Math.round((shown.captureTime ?? shown.expectedDisplayTime) * 1000),
      });
      port1.postMessage(frame, [frame]);
      next();
    });
  next();
  const gone = () => port1.postMessage("ended");
  stream.getVideoTracks()[0]!.addEventListener("ended", gone);
  return {
    port: port2,
    end: () => {
      ended = true;
      video.srcObject = null;
    },
  };
}
