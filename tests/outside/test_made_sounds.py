"""Sounds made of notes against ISO 16, NumPy's Fourier transform and two readers of WAV files.

Sources: ISO 16:1975 (A4 = 440 Hz) and equal temperament, in which a semitone is the twelfth
root of two; the frequencies of C4, E4 and A5 as handbooks of acoustics give them (from
memory: 261.63, 329.63 and 880.00 Hz); RIFF/WAVE as Python's `wave` and SciPy's
`scipy.io.wavfile` read it.
"""

import io
import unittest
import wave

import numpy
from scipy.io import wavfile

from dicetrail.core import Sound
from dicetrail.core.document import RATE, SHIPPED, Note, Wave
from dicetrail.core.document.sounds import LONGEST_MS, frequency, outline, samples, wav
from dicetrail.files.shipped import FOLDER, shipped_file

NAMES = ("C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B")
HANDBOOK = {"C4": 261.63, "E4": 329.63, "A4": 440.0, "A5": 880.0}


class TestMadeSounds(unittest.TestCase):
    def strongest(self, values):
        """The frequency of the strongest partial, in Hz, to an eighth of one."""
        spectrum = numpy.abs(numpy.fft.rfft(values * numpy.hanning(len(values)), n=8 * RATE))
        return numpy.argmax(spectrum) / 8

    def test_every_wave_sounds_its_pitch_within_one_hertz(self):
        for step in range(-33, 40, 4):
            pitch = f"{NAMES[(step + 9) % 12]}{4 + (step + 9) // 12}"
            expected = 440 * 2 ** (step / 12)
            self.assertAlmostEqual(frequency(pitch), expected, places=6)
            for shape in Wave:
                with self.subTest(pitch=pitch, shape=shape):
                    heard = numpy.array(samples(Sound("t", (Note(pitch, 1000),), shape, 0, 0)))
                    self.assertEqual(len(heard), RATE)
                    self.assertAlmostEqual(self.strongest(heard), expected, delta=1)

    def test_the_frequencies_of_the_handbooks(self):
        for pitch, hertz in HANDBOOK.items():
            self.assertAlmostEqual(frequency(pitch), hertz, delta=0.005)

    def test_no_partial_is_above_what_the_rate_can_carry(self):
        """Nyquist: a partial above half the rate would sound as another, lower one."""
        for shape in (Wave.SQUARE, Wave.SAWTOOTH):
            heard = numpy.array(samples(Sound("t", (Note("A6", 1000),), shape, 0, 0)))
            spectrum = numpy.abs(numpy.fft.rfft(heard * numpy.hanning(len(heard))))
            near = numpy.zeros(len(spectrum), bool)
            for number in range(1, 8):
                near[1760 * number - 4 : 1760 * number + 5] = True
            self.assertLess(spectrum[~near].max(), 0.01 * spectrum.max(), shape)

    def test_both_readers_agree_on_every_file_that_ships_and_it_is_as_made(self):
        self.assertEqual(len(list(FOLDER.glob("*.wav"))), len(SHIPPED))
        for sound in SHIPPED:
            with self.subTest(sound.name):
                content = shipped_file(sound.name).read_bytes()
                self.assertEqual(content, wav(sound), "run make sounds")
                with wave.open(io.BytesIO(content)) as file:
                    form = file.getnchannels(), file.getsampwidth(), file.getframerate()
                    self.assertEqual(form, (1, 2, RATE))
                    rate, values = wavfile.read(io.BytesIO(content))
                    self.assertEqual((rate, len(values)), (RATE, file.getnframes()))
                exact = 32_767 * numpy.array(samples(sound))
                self.assertLessEqual(numpy.abs(exact - values).max(), 0.5)
                loudest = numpy.abs(values.astype(int)).max()
                self.assertTrue(16_000 < loudest <= 32_767, loudest)
                self.assertLess(len(values) / rate, LONGEST_MS / 1000)
                self.assertLess(abs(int(values[-1])), 400, "it ends without a click")

    def test_the_drawing_holds_every_peak(self):
        sound = SHIPPED[0]
        drawn, values = outline(sound), samples(sound)
        self.assertAlmostEqual(max(high for _, high in drawn), max(values), places=3)
        self.assertAlmostEqual(min(low for low, _ in drawn), min(values), places=3)
