namespace TuningFork.Browser.Tests;

/// <summary>What hears, in a page, everything that goes to the loudspeakers.</summary>
internal static class Listener
{
    /// <summary>Beginnings of sounds go to window.heard by their sample, peaks of stretches to window.loud.</summary>
    public const string Script = """
        const worklet = `registerProcessor('listener', class extends AudioWorkletProcessor {
          constructor() { super(); this.quiet = 0; this.loud = 0; this.blocks = 0; }
          process(inputs) {
            const samples = inputs[0][0];
            if (samples) this.loud = Math.max(this.loud, ...samples.map(Math.abs));
            if (++this.blocks % 64 === 0) { this.port.postMessage({ loud: this.loud }); this.loud = 0; }
            if (samples) for (let i = 0; i < samples.length; i++) {
              const height = Math.abs(samples[i]);
              if (height > 0.05 && this.quiet > 600) this.port.postMessage(currentFrame + i);
              this.quiet = height < 0.012 ? this.quiet + 1 : height > 0.05 ? 0 : this.quiet;
            }
            return true;
          }
        })`;
        window.heard = [];
        window.loud = [];
        const plain = AudioNode.prototype.connect;
        const taps = new WeakMap();
        AudioNode.prototype.connect = function (to, ...rest) {
          const result = plain.call(this, to, ...rest);
          if (to instanceof AudioDestinationNode && to.context instanceof AudioContext) {
            const context = to.context;
            window.sampleRate = context.sampleRate;
            if (!taps.has(context)) taps.set(context, (async () => {
              await context.audioWorklet.addModule(URL.createObjectURL(new Blob([worklet], { type: 'text/javascript' })));
              const tap = new AudioWorkletNode(context, 'listener', { numberOfOutputs: 0 });
              tap.port.onmessage = ({ data }) => data.loud === undefined ? window.heard.push(data) : window.loud.push(data.loud);
              const bus = context.createGain();
              plain.call(bus, tap);
              return bus;
            })());
            taps.get(context).then((bus) => plain.call(this, bus));
          }
          return result;
        };
        """;
}
