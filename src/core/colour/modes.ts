import {
  modeA98,
  modeHsl,
  modeHwb,
  modeLab,
  modeLab65,
  modeLch,
  modeLrgb,
  modeOklab,
  modeOklch,
  modeP3,
  modeProphoto,
  modeRec2020,
  modeXyz50,
  modeXyz65,
  useMode as withMode,
} from 'culori/fn';

/*
 * Beside sRGB, the spaces that CSS Color Level 4 can name, and CIELAB D65 for differences; the
 * library's other spaces stay out of every screen.
 */

const modes = [
  modeA98,
  modeHsl,
  modeHwb,
  modeLab,
  modeLab65,
  modeLch,
  modeLrgb,
  modeOklab,
  modeOklch,
  modeP3,
  modeProphoto,
  modeRec2020,
  modeXyz50,
  modeXyz65,
];
for (const mode of modes) {
  withMode(mode);
}
