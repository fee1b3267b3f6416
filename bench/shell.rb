module Bench
  # The core from a shell, as a person's shell calls it.
  module Shell
    module_function

    def rows
      plain, magpie = {"RUBYOPT" => nil}, File.expand_path("../bin/magpie", __dir__)
      ruby = Bench.median(10) { system(plain, "ruby", "-e", "0") }
      taken = Bench.median(10) { system(plain, magpie, "colour", "#E46F58", out: File::NULL) }
      Bench.row "bin/magpie colour, from start to end", taken, "< 500 ms", format("%.1f × ruby alone", taken / ruby)
    end
  end
end
