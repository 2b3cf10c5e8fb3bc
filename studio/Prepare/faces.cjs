'use strict';
// Finds faces. On the input a line with width and height of a picture, and its red, green and blue bytes; on the output a line of JSON: boxes,
// in fractions of its sides, and by how many quarters to the right it would have to be turned to show some, where it shows none.
// The model, of 193 kB, comes with its package.
const Module = require('node:module');
const { dirname } = require('node:path');

// The package asks for a whole that holds much more than is needed here; the parts of it that are needed are these two.
const resolve = Module._resolveFilename;
Module._resolveFilename = (name, ...rest) =>
  resolve.call(Module, name === '@tensorflow/tfjs' ? '@tensorflow/tfjs-core' : name, ...rest);
const tf = require('@tensorflow/tfjs-core');
const wasm = require('@tensorflow/tfjs-backend-wasm');
const { prototype } = tf.Tensor;
for (const [name, op] of Object.entries(tf)) {
  if (typeof op !== 'function' || name in prototype) continue;
  prototype[name] = function chained(...rest) {
    return op(this, ...rest);
  };
}
for (const rank of [1, 2, 3, 4]) {
  prototype[`as${rank}D`] = function shaped(...shape) {
    return tf.reshape(this, rank === 1 ? [this.size] : shape);
  };
}
prototype.toFloat = function toFloat() {
  return tf.cast(this, 'float32');
};
prototype.toInt = function toInt() {
  return tf.cast(this, 'int32');
};
prototype.asScalar = function asScalar() {
  return tf.reshape(this, []);
};
// The answer alone goes to the output.
console.log = console.warn = () => {};
const faces = require('@vladmandic/face-api/dist/face-api.node-wasm.js');

const SIZE = 416;
// The smallest first: whoever is there from near is found in it too, in a third of the time.
const SIZES = [224, 320, SIZE];
const SURE = 0.5;
// Milliseconds that it waits for another picture.
const IDLE = 20_000;
// That a picture lies on its side is said only where there is hardly a doubt.
const VERY_SURE = 0.75;
const folderOf = (name) => dirname(require.resolve(name));

/** The picture, turned to the right. */
function turned(picture, by) {
  if (by === 2) return tf.reverse(picture, [0, 1]);
  const across = tf.transpose(picture, [1, 0, 2]);
  return tf.reverse(across, by === 1 ? 1 : 0);
}

/** The surest face in a picture, when it is looked at in that size. */
async function surest(picture, inputSize) {
  const found = await faces.detectAllFaces(picture, new faces.TinyFaceDetectorOptions({ inputSize, scoreThreshold: SURE }));
  return Math.max(0, ...found.map((face) => face.score));
}

/** A pattern may look like a face in one size; somebody does in all. */
async function quarters(picture) {
  for (const by of [1, 3, 2]) {
    const turn = turned(picture, by);
    let isSure = true;
    for (const size of SIZES) isSure = isSure && (await surest(turn, size)) > VERY_SURE;
    turn.dispose();
    if (isSure) return by;
  }
  return 0;
}

async function look(pixels, width, height) {
  const picture = tf.tensor3d(new Int32Array(pixels), [height, width, 3], 'int32');
  const how = new faces.TinyFaceDetectorOptions({ inputSize: SIZE, scoreThreshold: SURE });
  const found = await faces.detectAllFaces(picture, how);
  const boxes = found.map(({ relativeBox: { x, y, width: wide, height: high } }) => ({ x, y, width: wide, height: high }));
  const answer = { faces: boxes, quarters: boxes.length > 0 ? 0 : await quarters(picture) };
  picture.dispose();
  return answer;
}

/** One picture after the other, as they come; until none comes for a while, or nobody is there to ask. */
async function main() {
  wasm.setWasmPaths(`${folderOf('@tensorflow/tfjs-backend-wasm/package.json')}/dist/`);
  wasm.setThreadsCount(1);
  await tf.setBackend('wasm');
  await faces.nets.tinyFaceDetector.loadFromDisk(`${folderOf('@vladmandic/face-api/package.json')}/model`);
  let idle = setTimeout(() => process.exit(0), IDLE);
  let input = Buffer.alloc(0);
  for await (const part of process.stdin) {
    input = Buffer.concat([input, part]);
    for (let end = input.indexOf(10); end !== -1; end = input.indexOf(10)) {
      const [width, height] = input.subarray(0, end).toString('latin1').split(' ').map(Number);
      const whole = end + 1 + 3 * width * height;
      if (input.length < whole) break;
      clearTimeout(idle);
      process.stdout.write(`${JSON.stringify(await look(input.subarray(end + 1, whole), width, height))}\n`);
      input = input.subarray(whole);
      idle = setTimeout(() => process.exit(0), IDLE);
    }
  }
}

main().then(
  () => process.exit(0),
  (problem) => {
    process.stderr.write(String(problem.message));
    process.exit(1);
  },
);
