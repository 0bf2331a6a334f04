export { iconAddress, icons, svgAddress, type IconName } from './icons';
export { pictureAddress, pictures } from './pictures';
