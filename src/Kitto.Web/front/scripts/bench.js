// What the bench's page runs beside what every page does.
import bench from './bench/bench.js';

bench();
