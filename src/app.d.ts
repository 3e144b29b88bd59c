declare global {
  namespace App {
    interface Error {
      message: string;
      problems?: { path: string; message: string }[];
    }
  }
}

export {};
