require "open3"

module Suite
  # Specs that what was changed since the last commit may touch: themselves, those that name
  # what a changed file defines, those of its place, and those that use changed support. It is
  # quick and not complete; all of them run before something lands.
  class Changed
    # Places whose specs are called otherwise.
    PLACES = {"house" => "every_place", "handling" => "quick", "calling" => "every_place"}.freeze

    def self.files(root)
      out, = Open3.capture2("git", "status", "--porcelain", "--untracked-files=all", chdir: root)
      out.lines.map { |line| line[3..].chomp.split(" -> ").last.delete('"') }
    end

    # @param files [Array<String>] that were changed
    # @param specs [Hash{String => String}] all files of spec/ and what they hold
    def initialize(files, specs)
      @files, @specs = files, specs
    end

    # @return [Array<String>] for RSpec
    def specs
      @files.flat_map { |file| of(file) }.uniq.select { |spec| spec.end_with?("_spec.rb") && @specs.key?(spec) }.sort
    end

    # @return [Array<String>] for node: all of them, where a script changed; they take seconds
    def scripts
      return [] unless @files.any? { |file| file.match?(%r{\Aassets/js/|\Aspec/scripts/}) }
      @specs.keys.grep(/\.test\.mjs\z/).sort
    end

    private

    def of(file)
      case file
      when %r{\Aspec/support/(\w+)\.rb\z} then using("support/#{$1}")
      when %r{\Aspec/} then [file]
      when %r{\A(?:app|lib|config)/.*?(\w+)\.rb\z} then naming(constant($1)) + of_place(file)
      when %r{\A(?:app/places|db/demo)/} then of_place(file)
      when %r{\Aassets/js/(\w+)\.js\z} then called($1.split("_").first)
      when %r{\Aapp/views/} then @specs.keys.grep(%r{\Aspec/pages/}) # shown in all places
      when %r{\Aassets/css/} then called("windows")
      else []
      end
    end

    def constant(name) = name.split("_").map(&:capitalize).join

    def naming(name) = @specs.select { |_, text| text.match?(/\b#{name}\b/) }.keys

    def using(name) = @specs.select { |spec, text| text.include?(%("#{name}")) && spec.end_with?("_spec.rb") }.keys

    def called(word) = @specs.keys.grep(%r{/\w*#{Regexp.escape(word)}\w*_spec\.rb\z})

    def of_place(file)
      place = file[%r{\Aapp/places/(\w+)/}, 1] or return []
      called(PLACES.fetch(place, place)).grep_v(%r{\Aspec/core/})
    end
  end
end
