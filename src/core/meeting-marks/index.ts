export * from './meeting-marks';
