export * from './dip';
export * from './header';
export * from './block';
export { CornersError, cutOut, mappingOf, type Corners, type Point, type Raster } from './straighten';
