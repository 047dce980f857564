// Lets a thread read the sources as they are: what tsx sets up for a process does not reach its threads.
import { register } from 'tsx/esm/api';

register();
