"""The demo's sounds against NumPy's Fourier transform and two readers of WAV files.

Sources: ISO 16 (A4 = 440 Hz) and equal temperament (a semitone is the twelfth root of two);
RIFF/WAVE as Python's `wave` and SciPy's `scipy.io.wavfile` read it.
"""

import io
import unittest
import wave

import numpy
from scipy.io import wavfile

from dicetrail.demo.media import LEAVES, RATE, SOUNDS, sound
from dicetrail.files import medium


class TestSounds(unittest.TestCase):
    def strongest(self, content, begin=0.0, end=None):
        """The strongest frequency of a stretch of a sound, in Hz."""
        rate, samples = wavfile.read(io.BytesIO(content))
        part = samples[int(begin * rate) : None if end is None else int(end * rate)]
        spectrum = numpy.abs(numpy.fft.rfft(part * numpy.hanning(len(part)), n=8 * rate))
        return numpy.argmax(spectrum) * rate / (8 * rate)

    def test_the_bell_sounds_at_concert_pitch(self):
        self.assertAlmostEqual(self.strongest(sound("bell", 2.0), 0.2), 440.0, delta=1.0)

    def test_the_whistle_rises(self):
        """Its frequency goes up while it sounds; the ear follows the phase's derivative."""
        whistle = SOUNDS["whistle.wav"]
        early, late = self.strongest(whistle, 0.02, 0.12), self.strongest(whistle, 0.7, 0.85)
        self.assertGreater(late, early)
        self.assertAlmostEqual(late, 440 * 2 ** (19 / 12), delta=12)

    def test_both_readers_agree_and_nothing_is_cut_off(self):
        for name, content in SOUNDS.items():
            with self.subTest(name=name), wave.open(io.BytesIO(content)) as file:
                self.assertEqual(
                    (file.getnchannels(), file.getsampwidth(), file.getframerate()), (1, 2, RATE)
                )
                rate, samples = wavfile.read(io.BytesIO(content))
                self.assertEqual((rate, len(samples)), (RATE, file.getnframes()))
                loudest = numpy.abs(samples.astype(int)).max()
                self.assertTrue(8000 < loudest <= 32_000, loudest)
                self.assertLess(abs(int(samples[-1])), 300)

    def test_every_drawing_and_sound_of_the_demo_is_safe_to_show(self):
        for name, content in (LEAVES | SOUNDS).items():
            with self.subTest(name=name):
                made = medium(name, content)
                expected = "image/svg+xml" if name.endswith("svg") else "audio/wav"
                self.assertEqual(made.media_type, expected)
